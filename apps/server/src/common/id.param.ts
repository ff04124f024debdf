import { IsUUID } from 'class-validator';

/** The id in an address. */
export class IdParam {
  @IsUUID('all', { message: 'This is not the id of a record.' })
  declare id: string;
}
