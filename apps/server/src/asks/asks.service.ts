import { Injectable } from '@nestjs/common';
import { checkSavedAsk } from '@same-song/core';
import type { Transaction } from 'sequelize';
import { Sequelize } from 'sequelize-typescript';
import { invalid } from '../common/errors.ts';
import { RecordStore } from '../common/recordStore.ts';
import { WriteQueue } from '../database/writeQueue.ts';
import { InstrumentsService } from '../instruments/instruments.service.ts';
import { AskModel } from './ask.model.ts';
import type { AskBody, AskUpdate } from './ask.dto.ts';

@Injectable()
export class AsksService {
  readonly #store: RecordStore<AskModel>;

  constructor(
    sequelize: Sequelize,
    queue: WriteQueue,
    private readonly instruments: InstrumentsService,
  ) {
    this.#store = new RecordStore(sequelize.getRepository(AskModel), queue, 'This question');
  }

  /** Those of instruments in the bin stay hidden until their instrument comes back. */
  async list(which: 'kept' | 'binned'): Promise<AskModel[]> {
    const [asks, kept] = await Promise.all([
      this.#store.list(which === 'binned'),
      this.instruments.list('kept'),
    ]);
    const ids = new Set(kept.map((instrument) => instrument.id));
    return asks.filter((ask) => ids.has(ask.instrumentId));
  }

  create(body: AskBody): Promise<AskModel> {
    return this.#store.create((transaction) => this.#checked(body, transaction));
  }

  update(id: string, { version, ...body }: AskUpdate): Promise<AskModel> {
    return this.#store.update(id, version, (transaction) => this.#checked(body, transaction));
  }

  bin(id: string, version: number): Promise<void> {
    return this.#store.bin(id, version);
  }

  restore(id: string): Promise<AskModel> {
    return this.#store.restore(id);
  }

  async #checked(body: AskBody, transaction: Transaction): Promise<object> {
    const { family } = await this.instruments.get(body.instrumentId, transaction);
    const saved = checkSavedAsk({ ...body }, family);
    if (!saved.ok) throw invalid(saved.problems);
    return saved.value;
  }
}
