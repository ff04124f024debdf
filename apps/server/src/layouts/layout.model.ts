import { Column, DataType, Default, Model, PrimaryKey, Table } from 'sequelize-typescript';
import { randomUUID } from 'node:crypto';

/** A layout of the user's own, to begin new instruments with. */
@Table({ tableName: 'layouts' })
export class LayoutModel extends Model {
  @PrimaryKey
  @Default(randomUUID)
  @Column(DataType.UUID)
  declare id: string;

  @Column(DataType.TEXT)
  declare family: string;

  @Column(DataType.TEXT)
  declare name: string;

  /** As the family defines it. */
  @Column(DataType.JSON)
  declare layout: Record<string, unknown>;

  @Column(DataType.INTEGER)
  declare version: number;

  @Column(DataType.DATE)
  declare binnedAt: Date | null;
}
