import { ApiProperty } from '@nestjs/swagger';
import { IsInt, IsObject, IsString, MaxLength, Min } from 'class-validator';

/** The outer shape of a kept layout; the layout itself is checked by its family. */
export class LayoutBody {
  @ApiProperty({ example: 'dulcimer' })
  @IsString({ message: 'The family must be text.' })
  declare family: string;

  @ApiProperty({ example: 'Oda’s frets, low G' })
  @MaxLength(100_000, { message: 'This name is far too long.' })
  @IsString({ message: 'The name must be text.' })
  declare name: string;

  @ApiProperty({ type: Object, description: 'As the family defines it.' })
  @IsObject({ message: 'The layout must be an object.' })
  declare layout: Record<string, unknown>;
}

export class LayoutUpdate extends LayoutBody {
  @ApiProperty({ minimum: 1 })
  @Min(1, { message: 'The version must be 1 or more.' })
  @IsInt({ message: 'The version must be a whole number.' })
  declare version: number;
}
