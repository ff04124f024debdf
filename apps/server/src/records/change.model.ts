import type { RecordChange, Settings } from '@same-song/core/records';
import {
  AutoIncrement,
  Column,
  CreatedAt,
  DataType,
  Model,
  PrimaryKey,
  Table,
  Unique,
} from 'sequelize-typescript';
import { jsonText } from '../database/jsonText.ts';

/** Settings as a change found and left them. */
export interface SettingsChange {
  readonly before: Settings;
  readonly after: Settings;
}

/** Writes that were made as one, and can be taken back as one. */
@Table({ tableName: 'changes', updatedAt: false })
export class ChangeModel extends Model {
  @PrimaryKey
  @AutoIncrement
  @Column(DataType.INTEGER)
  declare seq: number;

  @Unique
  @Column(DataType.UUID)
  declare id: string;

  /** Null where the change left them alone. */
  @Column(jsonText('settings'))
  declare settings: SettingsChange | null | undefined;

  @CreatedAt
  declare createdAt: Date;
}

/** What a change did to one record. */
@Table({ tableName: 'changed_records', timestamps: false })
export class ChangedRecordModel extends Model {
  @PrimaryKey
  @Column(DataType.INTEGER)
  declare changeSeq: number;

  /** The order in which the records were written. */
  @PrimaryKey
  @Column(DataType.INTEGER)
  declare place: number;

  @Column(DataType.UUID)
  declare recordId: string;

  @Column(jsonText('what'))
  declare what: RecordChange | undefined;
}
