import { ApiProperty } from '@nestjs/swagger';
import type { Capability, InstrumentSpec } from '@same-song/core';
import { IsArray, IsInt, IsNumber, IsObject, IsOptional, IsString, MaxLength, Min } from 'class-validator';

/** The outer shape of an instrument; its layout is checked by its family. */
export class InstrumentBody {
  @ApiProperty({ example: 'diatonic' })
  @IsString({ message: 'The family must be text.' })
  declare family: string;

  @ApiProperty({ example: 'low E♭ harmonica' })
  @MaxLength(100_000, { message: 'This name is far too long.' })
  @IsString({ message: 'The name must be text.' })
  declare name: string;

  @ApiProperty({ type: Object, description: 'As the family defines it.' })
  @IsObject({ message: 'The layout must be an object.' })
  declare layout: Record<string, unknown>;

  @ApiProperty({ type: Object, description: 'Places by group of techniques.' })
  @IsObject({ message: 'The techniques must be an object.' })
  declare capability: Capability;

  @ApiProperty({ description: 'Hz of A4.', example: 442 })
  @IsNumber({}, { message: 'The pitch of A must be a number of Hz.' })
  declare a4: number;

  @ApiProperty()
  @IsString({ message: 'The notes must be text.' })
  declare notes: string;

  @ApiProperty({ type: Object, required: false, description: 'Measured pitch and cents by way.' })
  @IsOptional()
  @IsObject({ message: 'Measurements must be an object.' })
  declare measured?: InstrumentSpec['measured'];

  @ApiProperty({ type: [String], required: false, description: 'Ways chosen for their pitch.' })
  @IsOptional()
  @IsArray({ message: 'Choices must be a list.' })
  declare choices?: string[];
}

export class InstrumentUpdate extends InstrumentBody {
  @ApiProperty({ minimum: 1 })
  @Min(1, { message: 'The version must be 1 or more.' })
  @IsInt({ message: 'The version must be a whole number.' })
  declare version: number;
}
