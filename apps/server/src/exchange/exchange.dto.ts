import { ApiProperty } from '@nestjs/swagger';
import { IsIn } from 'class-validator';

/** Whether an import is carried out or only says what it would change. */
export class ImportQuery {
  @ApiProperty({ enum: ['true', 'false'] })
  @IsIn(['true', 'false'], { message: 'Say apply=true to import, apply=false to see what would change.' })
  declare apply: 'true' | 'false';
}
