import { ApiProperty } from '@nestjs/swagger';
import { IsInt, IsObject, Min } from 'class-validator';

export class SettingsBody {
  @ApiProperty({ type: Object })
  @IsObject({ message: 'The settings must be an object.' })
  declare value: Record<string, unknown>;

  /** 0 before anything was ever saved. */
  @ApiProperty({ minimum: 0 })
  @Min(0, { message: 'The version must be 0 or more.' })
  @IsInt({ message: 'The version must be a whole number.' })
  declare version: number;
}
