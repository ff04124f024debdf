import { ApiProperty } from '@nestjs/swagger';
import { IsInt, IsString, MaxLength, Min } from 'class-validator';

/** The outer shape of a progression; its chords are read by core. */
export class ProgressionBody {
  @ApiProperty({ example: 'Eight bars of the quay' })
  @MaxLength(100_000, { message: 'This name is far too long.' })
  @IsString({ message: 'The name must be text.' })
  declare name: string;

  @ApiProperty({ example: '1 4 1 5' })
  @MaxLength(10_000, { message: 'This progression is far too long.' })
  @IsString({ message: 'The chords must be text.' })
  declare text: string;

  @ApiProperty({ example: 4 })
  @IsInt({ message: 'The beats of a bar must be a whole number.' })
  declare beats: number;
}

export class ProgressionUpdate extends ProgressionBody {
  @ApiProperty({ minimum: 1 })
  @Min(1, { message: 'The version must be 1 or more.' })
  @IsInt({ message: 'The version must be a whole number.' })
  declare version: number;
}
