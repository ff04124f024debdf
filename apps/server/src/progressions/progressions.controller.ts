import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put, Query } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { IdParam } from '../common/id.param.ts';
import { ListQuery, VersionQuery } from '../common/version.dto.ts';
import { ProgressionBody, ProgressionUpdate } from './progression.dto.ts';
import { ProgressionsService } from './progressions.service.ts';

@ApiTags('progressions')
@Controller('progressions')
export class ProgressionsController {
  constructor(private readonly progressions: ProgressionsService) {}

  @Get()
  list(@Query() query: ListQuery) {
    return this.progressions.list(query.which ?? 'kept');
  }

  @Post()
  create(@Body() body: ProgressionBody) {
    return this.progressions.create(body);
  }

  @Put(':id')
  update(@Param() { id }: IdParam, @Body() body: ProgressionUpdate) {
    return this.progressions.update(id, body);
  }

  /** Into the bin. */
  @Delete(':id')
  @HttpCode(204)
  bin(@Param() { id }: IdParam, @Query() { version }: VersionQuery) {
    return this.progressions.bin(id, version);
  }

  @Post(':id/restore')
  @HttpCode(200)
  restore(@Param() { id }: IdParam) {
    return this.progressions.restore(id);
  }
}
