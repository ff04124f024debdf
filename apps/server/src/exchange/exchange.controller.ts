import { Body, Controller, Get, Header, HttpCode, Post, Query } from '@nestjs/common';
import { ApiBody, ApiTags } from '@nestjs/swagger';
import { ImportQuery } from './exchange.dto.ts';
import { ExchangeService } from './exchange.service.ts';
import { EXCHANGE_SCHEMA, LAYOUT_SCHEMA } from './schema.ts';

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
    return EXCHANGE_SCHEMA;
  }

  /** JSON Schema of a layout handed on by itself. */
  @Get('layout-schema')
  layoutSchema() {
    return LAYOUT_SCHEMA;
  }

  /** All or nothing; with apply=false it only says what it would change. */
  @Post('import')
  @HttpCode(200)
  @ApiBody({ schema: { type: 'object' } })
  import(@Query() { apply }: ImportQuery, @Body() file: unknown) {
    return this.exchange.import(file, apply === 'true');
  }
}
