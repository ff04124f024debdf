import type { Settings } from '@same-song/core/records';
import { jsonText } from '../database/jsonText.ts';
import { Column, DataType, Model, PrimaryKey, Table } from 'sequelize-typescript';

/** The one row of settings. */
@Table({ tableName: 'settings' })
export class SettingsModel extends Model {
  static readonly ROW = 1;

  @PrimaryKey
  @Column(DataType.INTEGER)
  declare id: number;

  @Column(jsonText('value'))
  declare value: Settings | undefined;

  @Column(DataType.INTEGER)
  declare version: number;
}
