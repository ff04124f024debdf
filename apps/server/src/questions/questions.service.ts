import { Injectable } from '@nestjs/common';
import { checkSavedQuestion } from '@same-song/core';
import type { Transaction } from 'sequelize';
import { Sequelize } from 'sequelize-typescript';
import { invalid } from '../common/errors.ts';
import { RecordStore } from '../common/recordStore.ts';
import { WriteQueue } from '../database/writeQueue.ts';
import { InstrumentsService } from '../instruments/instruments.service.ts';
import { QuestionModel } from './question.model.ts';
import type { QuestionBody, QuestionUpdate } from './question.dto.ts';

@Injectable()
export class QuestionsService {
  readonly #store: RecordStore<QuestionModel>;

  constructor(
    sequelize: Sequelize,
    queue: WriteQueue,
    private readonly instruments: InstrumentsService,
  ) {
    this.#store = new RecordStore(sequelize.getRepository(QuestionModel), queue, 'This question');
  }

  /** Those of instruments in the bin stay hidden until their instrument comes back. */
  async list(which: 'kept' | 'binned'): Promise<QuestionModel[]> {
    const [questions, kept] = await Promise.all([
      this.#store.list(which === 'binned'),
      this.instruments.list('kept'),
    ]);
    const ids = new Set(kept.map((instrument) => instrument.id));
    return questions.filter((question) => ids.has(question.instrumentId));
  }

  create(body: QuestionBody): Promise<QuestionModel> {
    return this.#store.create((transaction) => this.#checked(body, transaction));
  }

  update(id: string, { version, ...body }: QuestionUpdate): Promise<QuestionModel> {
    return this.#store.update(id, version, (transaction) => this.#checked(body, transaction));
  }

  bin(id: string, version: number): Promise<void> {
    return this.#store.bin(id, version);
  }

  restore(id: string): Promise<QuestionModel> {
    return this.#store.restore(id);
  }

  async #checked(body: QuestionBody, transaction: Transaction): Promise<object> {
    const { family } = await this.instruments.get(body.instrumentId, transaction);
    const saved = checkSavedQuestion({ ...body }, family);
    if (!saved.ok) throw invalid(saved.problems);
    return saved.value;
  }
}
