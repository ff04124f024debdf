import type { StoredQuestion } from '@same-song/core';
import { Column, DataType, Default, Model, PrimaryKey, Table } from 'sequelize-typescript';
import { randomUUID } from 'node:crypto';

/** A question kept under a name. */
@Table({ tableName: 'questions' })
export class QuestionModel extends Model {
  @PrimaryKey
  @Default(randomUUID)
  @Column(DataType.UUID)
  declare id: string;

  @Column(DataType.TEXT)
  declare name: string;

  @Column(DataType.UUID)
  declare instrumentId: string;

  @Column(DataType.JSON)
  declare question: StoredQuestion;

  @Column(DataType.INTEGER)
  declare version: number;

  @Column(DataType.DATE)
  declare binnedAt: Date | null;
}
