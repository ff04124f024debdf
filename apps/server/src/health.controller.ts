import { Controller, Get } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { ANSWER_SCHEMAS } from '@same-song/core/records';

@ApiTags('health')
@Controller('health')
export class HealthController {
  /** Answers when the database is open and migrated. */
  @Get()
  @ApiOkResponse({ schema: ANSWER_SCHEMAS.health })
  health() {
    return { ok: true };
  }
}
