import type { Capability, InstrumentSpec } from '@same-song/core';
import { Column, DataType, Default, Model, PrimaryKey, Table } from 'sequelize-typescript';
import { randomUUID } from 'node:crypto';

@Table({ tableName: 'instruments' })
export class InstrumentModel extends Model {
  @PrimaryKey
  @Default(randomUUID)
  @Column(DataType.UUID)
  declare id: string;

  @Column(DataType.TEXT)
  declare family: string;

  @Column(DataType.TEXT)
  declare name: string;

  @Column(DataType.JSON)
  declare layout: unknown;

  @Column(DataType.JSON)
  declare capability: Capability;

  /** Hz of A4. */
  @Column(DataType.DOUBLE)
  declare a4: number;

  @Column(DataType.TEXT)
  declare notes: string;

  @Column(DataType.JSON)
  declare measured: InstrumentSpec['measured'];

  @Column(DataType.JSON)
  declare choices: InstrumentSpec['choices'];

  @Column(DataType.INTEGER)
  declare version: number;

  @Column(DataType.DATE)
  declare binnedAt: Date | null;
}
