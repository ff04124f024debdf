import { Controller, Get } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';

@ApiTags('health')
@Controller('health')
export class HealthController {
  /** Answers when the database is open and migrated. */
  @Get()
  health() {
    return { ok: true };
  }
}
