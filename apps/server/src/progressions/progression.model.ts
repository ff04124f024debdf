import { Column, DataType, Default, Model, PrimaryKey, Table } from 'sequelize-typescript';
import { randomUUID } from 'node:crypto';

/** A progression of the user's own. */
@Table({ tableName: 'progressions' })
export class ProgressionModel extends Model {
  @PrimaryKey
  @Default(randomUUID)
  @Column(DataType.UUID)
  declare id: string;

  @Column(DataType.TEXT)
  declare name: string;

  /** Chords as degrees, bar by bar. */
  @Column(DataType.TEXT)
  declare text: string;

  /** Beats in a bar. */
  @Column(DataType.INTEGER)
  declare beats: number;

  @Column(DataType.INTEGER)
  declare version: number;

  @Column(DataType.DATE)
  declare binnedAt: Date | null;
}
