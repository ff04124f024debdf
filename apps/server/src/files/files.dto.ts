import { ApiProperty } from '@nestjs/swagger';
import { WRITTEN_FORMATS } from '@same-song/formats';
import { Allow, IsDefined, IsIn, IsOptional, IsString, Length } from 'class-validator';

const FLAG = { message: 'Say 1 or leave it out.' };

export class ReadQuery {
  @ApiProperty({ description: 'Name of the file, with its extension.' })
  @Length(1, 300, { message: 'Give the name of the file, with its extension.' })
  declare name: string;

  @ApiProperty({ required: false, enum: ['0', '1'], description: 'The notes as they sound, too.' })
  @IsOptional()
  @IsIn(['0', '1'], FLAG)
  declare played?: string;

  @ApiProperty({
    required: false,
    enum: ['0', '1'],
    description: 'Strokes of percussion among them, marked so.',
  })
  @IsOptional()
  @IsIn(['0', '1'], FLAG)
  declare percussion?: string;
}

export class WriteBody {
  @ApiProperty({ type: 'object', additionalProperties: true })
  @Allow()
  @IsDefined({ message: 'Send the song.' })
  declare song: unknown;

  @ApiProperty({ enum: Object.keys(WRITTEN_FORMATS) })
  @IsString({ message: 'Say as what it is to be written.' })
  declare as: string;

  @ApiProperty({
    required: false,
    description:
      'How an instrument plays it, so that its tab is written too: the id of a kept arrangement, or an object with ' +
      '`instrument` (the id of one in the cabinet, or a whole one), and if need be `plan` and `dialect`.',
    oneOf: [{ type: 'string', format: 'uuid' }, { type: 'object' }],
  })
  @Allow()
  @IsOptional()
  declare arrangement?: unknown;
}
