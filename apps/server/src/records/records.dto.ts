import { ApiProperty } from '@nestjs/swagger';
import { Transform, Type } from 'class-transformer';
import { ArrayMaxSize, IsArray, IsIn, IsInt, IsISO8601, IsOptional, IsUUID, Max, Min } from 'class-validator';

/** Most records of one page, and of one request for contents. */
export const PAGE = Object.freeze({ usual: 500, most: 1000, contents: 100 });

/** Which part of a list. */
export class ListQuery {
  @ApiProperty({ required: false, enum: ['kept', 'binned'] })
  @IsOptional()
  @IsIn(['kept', 'binned'], { message: 'List what is “kept” or “binned”.' })
  declare which?: 'kept' | 'binned';

  @ApiProperty({ required: false, minimum: 0, description: 'What the page before gave as `next`.' })
  @IsOptional()
  @Type(() => Number)
  @Min(0, { message: 'A page begins after a whole number.' })
  @IsInt({ message: 'A page begins after a whole number.' })
  declare after?: number;

  @ApiProperty({ required: false, minimum: 1, maximum: PAGE.most })
  @IsOptional()
  @Type(() => Number)
  @Max(PAGE.most, { message: `A page has ${PAGE.most} records at most.` })
  @Min(1, { message: 'A page has one record at least.' })
  @IsInt({ message: 'The length of a page is a whole number.' })
  declare limit?: number;

  @ApiProperty({ required: false, description: 'Append-only kinds: from this time on.' })
  @IsOptional()
  @IsISO8601({ strict: true }, { message: 'Write a time like 2030-05-01T18:00:00Z.' })
  declare from?: string;

  @ApiProperty({ required: false, description: 'Append-only kinds: before this time.' })
  @IsOptional()
  @IsISO8601({ strict: true }, { message: 'Write a time like 2030-05-01T18:00:00Z.' })
  declare to?: string;
}

/** Whole records by their ids. */
export class ContentsQuery {
  @ApiProperty({ description: 'Ids apart by commas.' })
  @Transform(({ value }: { value: unknown }) => (typeof value === 'string' ? value.split(',') : value))
  @ArrayMaxSize(PAGE.contents, { message: `Ask for ${PAGE.contents} records at most.` })
  @IsUUID('all', { each: true, message: 'This is not the id of a record.' })
  @IsArray({ message: 'Name the records by their ids, apart by commas.' })
  declare ids: string[];
}

/** The version that the client saw; a write on any other is refused as stale. */
export class VersionQuery {
  @ApiProperty({ minimum: 1 })
  @Type(() => Number)
  @Min(1, { message: 'The version must be 1 or more.' })
  @IsInt({ message: 'The version must be a whole number.' })
  declare version: number;
}
