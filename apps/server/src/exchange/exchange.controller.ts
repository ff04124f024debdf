import { Body, Controller, Get, Header, HttpCode, Post, Query } from '@nestjs/common';
import { ApiBody, ApiTags } from '@nestjs/swagger';
import { exchangeSchema, layoutFileSchema } from '@same-song/core';
import { ImportQuery } from './exchange.dto.ts';
import { ExchangeService } from './exchange.service.ts';

@ApiTags('data')
@Controller('data')
export class ExchangeController {
  constructor(private readonly exchange: ExchangeService) {}

  /** Everything that is kept; what lies in the bin stays behind. */
  @Get('export')
  @Header('Content-Disposition', 'attachment; filename="same-song.json"')
  export() {
    return this.exchange.export();
  }

  /** JSON Schema of the file. */
  @Get('schema')
  schema() {
    return exchangeSchema();
  }

  /** JSON Schema of a layout handed on by itself. */
  @Get('layout-schema')
  layoutSchema() {
    return layoutFileSchema();
  }

  /** All or nothing; with apply=false it only says what it would change. */
  @Post('import')
  @HttpCode(200)
  @ApiBody({ schema: { type: 'object' } })
  import(@Query() { apply }: ImportQuery, @Body() file: unknown) {
    return this.exchange.import(file, apply === 'true');
  }
}
