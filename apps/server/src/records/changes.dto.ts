import { ApiProperty } from '@nestjs/swagger';
import { Transform, Type } from 'class-transformer';
import {
  Allow,
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsOptional,
  IsUUID,
  Min,
  ValidateIf,
  ValidateNested,
} from 'class-validator';
import { RECORD_KIND_IDS, type RecordKindId } from '@same-song/core/records';
import type { UncheckedWrite } from './changes.service.ts';

/** Most writes of one change. */
export const WRITES_AT_ONCE = 1000;

const OPS = ['create', 'update', 'bin', 'restore'] as const;

/** One write of a change. */
export class RecordWrite {
  @ApiProperty({ enum: OPS })
  @IsIn(OPS, { message: 'A write is “create”, “update”, “bin” or “restore”.' })
  declare op: UncheckedWrite['op'];

  @ApiProperty({ enum: RECORD_KIND_IDS })
  @IsIn(RECORD_KIND_IDS, { message: 'There is no such kind of record.' })
  declare kind: RecordKindId;

  @ApiProperty({ format: 'uuid', required: false, description: 'All but “create”.' })
  @ValidateIf(({ op }: RecordWrite) => op !== 'create')
  @IsUUID('all', { message: 'A record is named by its id.' })
  declare id: string;

  @ApiProperty({ minimum: 1, required: false, description: '“update” and “bin”: the version that was seen.' })
  @ValidateIf(({ op }: RecordWrite) => op === 'update' || op === 'bin')
  @Min(1, { message: 'The version must be a whole number from 1 on.' })
  @IsInt({ message: 'The version must be a whole number from 1 on.' })
  declare version: number;

  @ApiProperty({ type: Object, required: false, description: '“create” and “update”: as its kind has it.' })
  @Allow()
  @Transform(({ obj }: { obj: { content?: unknown } }) => obj.content)
  declare content: unknown;
}

/** Writes that are made all or none, and taken back as one. */
export class ChangeBody {
  @ApiProperty({ type: [RecordWrite], maxItems: WRITES_AT_ONCE })
  @ValidateNested({ each: true })
  @Type(() => RecordWrite)
  @ArrayMaxSize(WRITES_AT_ONCE, { message: `A change has ${WRITES_AT_ONCE} writes at most.` })
  @ArrayMinSize(1, { message: 'A change has one write at least.' })
  @IsArray({ message: 'A change is a list of writes.' })
  declare writes: RecordWrite[];
}

export class UndoBody {
  @ApiProperty({ required: false, description: 'Also over what was changed since.' })
  @IsOptional()
  @IsBoolean({ message: 'Say true or false.' })
  declare anyway?: boolean;
}
