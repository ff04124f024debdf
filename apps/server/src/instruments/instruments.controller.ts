import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put, Query } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { IdParam } from '../common/id.param.ts';
import { ListQuery, VersionQuery } from '../common/version.dto.ts';
import { InstrumentBody, InstrumentUpdate } from './instrument.dto.ts';
import { InstrumentsService } from './instruments.service.ts';

@ApiTags('instruments')
@Controller('instruments')
export class InstrumentsController {
  constructor(private readonly instruments: InstrumentsService) {}

  @Get()
  list(@Query() query: ListQuery) {
    return this.instruments.list(query.which ?? 'kept');
  }

  @Get(':id')
  get(@Param() { id }: IdParam) {
    return this.instruments.get(id);
  }

  @Post()
  create(@Body() body: InstrumentBody) {
    return this.instruments.create(body);
  }

  @Put(':id')
  update(@Param() { id }: IdParam, @Body() body: InstrumentUpdate) {
    return this.instruments.update(id, body);
  }

  /** Into the bin. */
  @Delete(':id')
  @HttpCode(204)
  bin(@Param() { id }: IdParam, @Query() { version }: VersionQuery) {
    return this.instruments.bin(id, version);
  }

  @Post(':id/restore')
  @HttpCode(200)
  restore(@Param() { id }: IdParam) {
    return this.instruments.restore(id);
  }
}
