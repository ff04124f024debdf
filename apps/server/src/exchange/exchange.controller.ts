import { Body, Controller, Get, Header, HttpCode, Post, Query } from '@nestjs/common';
import { ApiBody, ApiDefaultResponse, ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { ANSWER_SCHEMAS, exchangeSchema, layoutFileSchema } from '@same-song/core/records';
import { ImportQuery } from './exchange.dto.ts';
import { ExchangeService } from './exchange.service.ts';

@ApiTags('data')
@ApiDefaultResponse({ schema: ANSWER_SCHEMAS.error })
@Controller('data')
export class ExchangeController {
  constructor(private readonly exchange: ExchangeService) {}

  /** Everything that is kept; what lies in the bin stays behind. */
  @Get('export')
  @ApiOkResponse({ schema: exchangeSchema() })
  @Header('Content-Disposition', 'attachment; filename="same-song.json"')
  export() {
    return this.exchange.export();
  }

  /** JSON Schema of the file. */
  @Get('schema')
  @ApiOkResponse({ schema: { type: 'object' } })
  schema() {
    return exchangeSchema();
  }

  /** JSON Schema of a layout handed on by itself. */
  @Get('layout-schema')
  @ApiOkResponse({ schema: { type: 'object' } })
  layoutSchema() {
    return layoutFileSchema();
  }

  /** All or nothing; with apply=false it only says what it would change. */
  @Post('import')
  @HttpCode(200)
  @ApiBody({ schema: { type: 'object' } })
  @ApiOkResponse({ schema: ANSWER_SCHEMAS.importReport })
  import(@Query() { apply }: ImportQuery, @Body() file: unknown) {
    return this.exchange.import(file, apply === 'true');
  }
}
