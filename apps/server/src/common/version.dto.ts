import { ApiProperty } from '@nestjs/swagger';
import { Type } from 'class-transformer';
import { IsIn, IsInt, IsOptional, Min } from 'class-validator';

/** The version that the client saw; a write on any other is refused as stale. */
export class VersionQuery {
  @ApiProperty({ minimum: 1 })
  @Type(() => Number)
  @Min(1, { message: 'The version must be 1 or more.' })
  @IsInt({ message: 'The version must be a whole number.' })
  declare version: number;
}

/** Which part of a collection to list. */
export class ListQuery {
  @ApiProperty({ required: false, enum: ['kept', 'binned'] })
  @IsOptional()
  @IsIn(['kept', 'binned'], { message: 'List what is “kept” or “binned”.' })
  declare which?: 'kept' | 'binned';
}
