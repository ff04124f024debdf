import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put, Query } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { IdParam } from '../common/id.param.ts';
import { ListQuery, VersionQuery } from '../common/version.dto.ts';
import { LayoutBody, LayoutUpdate } from './layout.dto.ts';
import { LayoutsService } from './layouts.service.ts';

@ApiTags('layouts')
@Controller('layouts')
export class LayoutsController {
  constructor(private readonly layouts: LayoutsService) {}

  @Get()
  list(@Query() query: ListQuery) {
    return this.layouts.list(query.which ?? 'kept');
  }

  @Post()
  create(@Body() body: LayoutBody) {
    return this.layouts.create(body);
  }

  @Put(':id')
  update(@Param() { id }: IdParam, @Body() body: LayoutUpdate) {
    return this.layouts.update(id, body);
  }

  /** Into the bin. */
  @Delete(':id')
  @HttpCode(204)
  bin(@Param() { id }: IdParam, @Query() { version }: VersionQuery) {
    return this.layouts.bin(id, version);
  }

  @Post(':id/restore')
  @HttpCode(200)
  restore(@Param() { id }: IdParam) {
    return this.layouts.restore(id);
  }
}
