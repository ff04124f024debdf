import { Injectable } from '@nestjs/common';
import { openInstrument, type InstrumentSpec } from '@same-song/core';
import type { Transaction } from 'sequelize';
import { Sequelize } from 'sequelize-typescript';
import { invalid } from '../common/errors.ts';
import { RecordStore } from '../common/recordStore.ts';
import { WriteQueue } from '../database/writeQueue.ts';
import { InstrumentModel } from './instrument.model.ts';
import type { InstrumentBody, InstrumentUpdate } from './instrument.dto.ts';

@Injectable()
export class InstrumentsService {
  readonly #store: RecordStore<InstrumentModel>;

  constructor(sequelize: Sequelize, queue: WriteQueue) {
    this.#store = new RecordStore(sequelize.getRepository(InstrumentModel), queue, 'This instrument');
  }

  list(which: 'kept' | 'binned'): Promise<InstrumentModel[]> {
    return this.#store.list(which === 'binned');
  }

  get(id: string, transaction?: Transaction): Promise<InstrumentModel> {
    return this.#store.get(id, transaction);
  }

  create(body: InstrumentBody): Promise<InstrumentModel> {
    const spec = checked(body);
    return this.#store.create(() => Promise.resolve(spec));
  }

  update(id: string, { version, ...body }: InstrumentUpdate): Promise<InstrumentModel> {
    const spec = checked(body);
    return this.#store.update(id, version, () => Promise.resolve(spec));
  }

  bin(id: string, version: number): Promise<void> {
    return this.#store.bin(id, version);
  }

  restore(id: string): Promise<InstrumentModel> {
    return this.#store.restore(id);
  }
}

function checked(body: object): InstrumentSpec {
  const opened = openInstrument(body);
  if (!opened.ok) throw invalid(opened.problems);
  return opened.value.spec;
}
