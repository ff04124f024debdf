import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put, Query } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { IdParam } from '../common/id.param.ts';
import { ListQuery, VersionQuery } from '../common/version.dto.ts';
import { QuestionBody, QuestionUpdate } from './question.dto.ts';
import { QuestionsService } from './questions.service.ts';

@ApiTags('questions')
@Controller('questions')
export class QuestionsController {
  constructor(private readonly questions: QuestionsService) {}

  @Get()
  list(@Query() query: ListQuery) {
    return this.questions.list(query.which ?? 'kept');
  }

  @Post()
  create(@Body() body: QuestionBody) {
    return this.questions.create(body);
  }

  @Put(':id')
  update(@Param() { id }: IdParam, @Body() body: QuestionUpdate) {
    return this.questions.update(id, body);
  }

  /** Into the bin. */
  @Delete(':id')
  @HttpCode(204)
  bin(@Param() { id }: IdParam, @Query() { version }: VersionQuery) {
    return this.questions.bin(id, version);
  }

  @Post(':id/restore')
  @HttpCode(200)
  restore(@Param() { id }: IdParam) {
    return this.questions.restore(id);
  }
}
