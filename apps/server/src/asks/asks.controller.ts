import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put, Query } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { IdParam } from '../common/id.param.ts';
import { ListQuery, VersionQuery } from '../common/version.dto.ts';
import { AskBody, AskUpdate } from './ask.dto.ts';
import { AsksService } from './asks.service.ts';

@ApiTags('asks')
@Controller('asks')
export class AsksController {
  constructor(private readonly asks: AsksService) {}

  @Get()
  list(@Query() query: ListQuery) {
    return this.asks.list(query.which ?? 'kept');
  }

  @Post()
  create(@Body() body: AskBody) {
    return this.asks.create(body);
  }

  @Put(':id')
  update(@Param() { id }: IdParam, @Body() body: AskUpdate) {
    return this.asks.update(id, body);
  }

  /** Into the bin. */
  @Delete(':id')
  @HttpCode(204)
  bin(@Param() { id }: IdParam, @Query() { version }: VersionQuery) {
    return this.asks.bin(id, version);
  }

  @Post(':id/restore')
  @HttpCode(200)
  restore(@Param() { id }: IdParam) {
    return this.asks.restore(id);
  }
}
