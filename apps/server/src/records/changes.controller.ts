import { Body, Controller, HttpCode, Param, Post } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { IdParam } from '../common/id.param.ts';
import { ChangeBody, UndoBody } from './changes.dto.ts';
import { ChangesService } from './changes.service.ts';

@ApiTags('changes')
@Controller('changes')
export class ChangesController {
  constructor(private readonly changes: ChangesService) {}

  /** Creates, changes, bins and restores records of any kind, all or none of them. */
  @Post()
  make(@Body() { writes }: ChangeBody) {
    return this.changes.write(writes);
  }

  /** Takes a change back; that is a change itself, by whose id it is made again. */
  @Post(':id/undo')
  @HttpCode(200)
  undo(@Param() { id }: IdParam, @Body() { anyway = false }: UndoBody) {
    return this.changes.undo(id, anyway);
  }
}
