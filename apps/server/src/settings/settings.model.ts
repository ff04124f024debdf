import type { Settings } from '@same-song/core';
import { Column, DataType, Model, PrimaryKey, Table } from 'sequelize-typescript';

/** The one row of settings. */
@Table({ tableName: 'settings' })
export class SettingsModel extends Model {
  static readonly ROW = 1;

  @PrimaryKey
  @Column(DataType.INTEGER)
  declare id: number;

  @Column(DataType.JSON)
  declare value: Settings;

  @Column(DataType.INTEGER)
  declare version: number;
}
