import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put, Query, type Type } from '@nestjs/common';
import { ApiBody, ApiCreatedResponse, ApiDefaultResponse, ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { shown } from '@same-song/core';
import {
  ANSWER_SCHEMAS,
  answerSchema,
  contentSchema,
  recordKind,
  type RecordKindId,
} from '@same-song/core/records';
import { invalid } from '../common/errors.ts';
import { IdParam } from '../common/id.param.ts';
import { ChangesService } from './changes.service.ts';
import { ContentsQuery, ListQuery, VersionQuery } from './records.dto.ts';
import { RecordsService } from './records.service.ts';

const VERSION = { version: { type: 'integer', minimum: 1 } };

/** The routes of one kind of record: read and add, and but for append-only kinds change, bin and restore. */
export function recordsController(kind: RecordKindId): Type {
  const record = { schema: answerSchema(kind) };

  @ApiTags(kind)
  @ApiDefaultResponse({ schema: ANSWER_SCHEMAS.error })
  @Controller(kind)
  class ReadingController {
    constructor(
      readonly records: RecordsService,
      readonly changes: ChangesService,
    ) {}

    /** Ids, versions and titles, page by page. */
    @Get()
    @ApiOkResponse({ schema: ANSWER_SCHEMAS.page })
    list(@Query() query: ListQuery) {
      return this.records.list(kind, query);
    }

    /** Whole records by their ids; those that are not there are left out. */
    @Get('contents')
    @ApiOkResponse({ schema: { type: 'array', items: answerSchema(kind) } })
    contents(@Query() { ids }: ContentsQuery) {
      return this.records.contents(kind, ids);
    }

    @Get(':id')
    @ApiOkResponse(record)
    get(@Param() { id }: IdParam) {
      return this.records.get(kind, id);
    }

    @Post()
    @ApiBody({ schema: contentSchema(kind) })
    @ApiCreatedResponse(record)
    create(@Body() content: unknown) {
      return this.changes.writeOne({ op: 'create', kind, content });
    }
  }
  if (recordKind(kind).appendOnly) return ReadingController;

  @ApiTags(kind)
  @Controller(kind)
  class ChangingController extends ReadingController {
    @Put(':id')
    @ApiBody({ schema: contentSchema(kind, VERSION) })
    @ApiOkResponse(record)
    update(@Param() { id }: IdParam, @Body() body: unknown) {
      const { version, ...content } = Object(body) as Record<string, unknown>;
      return this.changes.writeOne({ op: 'update', kind, id, version: checkedVersion(version), content });
    }

    /** Into the bin. */
    @Delete(':id')
    @ApiOkResponse(record)
    bin(@Param() { id }: IdParam, @Query() { version }: VersionQuery) {
      return this.changes.writeOne({ op: 'bin', kind, id, version });
    }

    @Post(':id/restore')
    @HttpCode(200)
    @ApiOkResponse(record)
    restore(@Param() { id }: IdParam) {
      return this.changes.writeOne({ op: 'restore', kind, id });
    }
  }
  return ChangingController;
}

/** A version stands beside the fields of a content, which no class describes. */
function checkedVersion(version: unknown): number {
  if (typeof version === 'number' && Number.isInteger(version) && version >= 1) return version;
  throw invalid([
    { field: 'version', wrong: shown(version), message: 'The version must be a whole number from 1 on.' },
  ]);
}
