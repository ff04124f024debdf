import type { Fields, RecordKindId } from '@same-song/core/records';
import { AutoIncrement, Column, DataType, Model, PrimaryKey, Table, Unique } from 'sequelize-typescript';
import { jsonText } from '../database/jsonText.ts';

/** A kept record of any kind; its content is checked by its kind. */
@Table({ tableName: 'records' })
export class RecordModel extends Model {
  /** The order in which records came. */
  @PrimaryKey
  @AutoIncrement
  @Column(DataType.INTEGER)
  declare seq: number;

  @Unique
  @Column(DataType.UUID)
  declare id: string;

  @Column(DataType.TEXT)
  declare kind: RecordKindId;

  @Column(DataType.TEXT)
  declare title: string;

  /** Kept as JSON; undefined where the file was damaged and what stands there is none. */
  @Column(jsonText('content'))
  declare content: Fields | undefined;

  /** What lists show of a long content; null where its kind has none, or where it was written before there were any. */
  @Column(jsonText('sketch'))
  declare sketch: object | null | undefined;

  /** The time an append-only record belongs to, as ISO text; null for all others. */
  @Column(DataType.TEXT)
  declare at: string | null;

  @Column(DataType.INTEGER)
  declare version: number;

  @Column(DataType.DATE)
  declare binnedAt: Date | null;
}

/** A field of one record that names another. */
@Table({ tableName: 'record_links', timestamps: false })
export class RecordLinkModel extends Model {
  @PrimaryKey
  @Column(DataType.UUID)
  declare fromId: string;

  @PrimaryKey
  @Column(DataType.TEXT)
  declare field: string;

  @Column(DataType.UUID)
  declare toId: string;
}
