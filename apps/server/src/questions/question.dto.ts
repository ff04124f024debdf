import { ApiProperty } from '@nestjs/swagger';
import { IsInt, IsObject, IsString, IsUUID, MaxLength, Min } from 'class-validator';

/** The outer shape of a kept question; what it asks is checked against the instrument's family. */
export class QuestionBody {
  @ApiProperty({ example: 'Lantern blues, warm-up' })
  @MaxLength(100_000, { message: 'This name is far too long.' })
  @IsString({ message: 'The name must be text.' })
  declare name: string;

  @ApiProperty()
  @IsUUID('all', { message: 'This is not the id of an instrument.' })
  declare instrumentId: string;

  @ApiProperty({ type: Object })
  @IsObject({ message: 'The question must be an object.' })
  declare question: Record<string, unknown>;
}

export class QuestionUpdate extends QuestionBody {
  @ApiProperty({ minimum: 1 })
  @Min(1, { message: 'The version must be 1 or more.' })
  @IsInt({ message: 'The version must be a whole number.' })
  declare version: number;
}
