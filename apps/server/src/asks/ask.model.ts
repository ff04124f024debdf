import type { StoredAsk } from '@same-song/core';
import { Column, DataType, Default, Model, PrimaryKey, Table } from 'sequelize-typescript';
import { randomUUID } from 'node:crypto';

/** A question kept under a name. */
@Table({ tableName: 'asks' })
export class AskModel extends Model {
  @PrimaryKey
  @Default(randomUUID)
  @Column(DataType.UUID)
  declare id: string;

  @Column(DataType.TEXT)
  declare name: string;

  @Column(DataType.UUID)
  declare instrumentId: string;

  @Column(DataType.JSON)
  declare ask: StoredAsk;

  @Column(DataType.INTEGER)
  declare version: number;

  @Column(DataType.DATE)
  declare binnedAt: Date | null;
}
