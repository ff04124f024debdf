import { Body, Controller, HttpCode, Param, Post } from '@nestjs/common';
import { ApiCreatedResponse, ApiDefaultResponse, ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { ANSWER_SCHEMAS } from '@same-song/core/records';
import { IdParam } from '../common/id.param.ts';
import { ChangeBody, UndoBody } from './changes.dto.ts';
import { ChangesService } from './changes.service.ts';

@ApiTags('changes')
@ApiDefaultResponse({ schema: ANSWER_SCHEMAS.error })
@Controller('changes')
export class ChangesController {
  constructor(private readonly changes: ChangesService) {}

  /** Creates, changes, bins and restores records of any kind, all or none of them. */
  @Post()
  @ApiCreatedResponse({ schema: ANSWER_SCHEMAS.change })
  make(@Body() { writes }: ChangeBody) {
    return this.changes.write(writes);
  }

  /** Takes a change back; that is a change itself, by whose id it is made again. */
  @Post(':id/undo')
  @HttpCode(200)
  @ApiOkResponse({ schema: ANSWER_SCHEMAS.change })
  undo(@Param() { id }: IdParam, @Body() { anyway = false }: UndoBody) {
    return this.changes.undo(id, anyway);
  }
}
