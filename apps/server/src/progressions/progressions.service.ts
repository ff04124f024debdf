import { Injectable } from '@nestjs/common';
import { checkSavedProgression, type SavedProgression } from '@same-song/core';
import { Sequelize } from 'sequelize-typescript';
import { invalid } from '../common/errors.ts';
import { RecordStore } from '../common/recordStore.ts';
import { WriteQueue } from '../database/writeQueue.ts';
import { ProgressionModel } from './progression.model.ts';
import type { ProgressionBody, ProgressionUpdate } from './progression.dto.ts';

@Injectable()
export class ProgressionsService {
  readonly #store: RecordStore<ProgressionModel>;

  constructor(sequelize: Sequelize, queue: WriteQueue) {
    this.#store = new RecordStore(sequelize.getRepository(ProgressionModel), queue, 'This progression');
  }

  list(which: 'kept' | 'binned'): Promise<ProgressionModel[]> {
    return this.#store.list(which === 'binned');
  }

  create(body: ProgressionBody): Promise<ProgressionModel> {
    const saved = checked(body);
    return this.#store.create(() => Promise.resolve(saved));
  }

  update(id: string, { version, ...body }: ProgressionUpdate): Promise<ProgressionModel> {
    const saved = checked(body);
    return this.#store.update(id, version, () => Promise.resolve(saved));
  }

  bin(id: string, version: number): Promise<void> {
    return this.#store.bin(id, version);
  }

  restore(id: string): Promise<ProgressionModel> {
    return this.#store.restore(id);
  }
}

function checked(body: object): SavedProgression {
  const saved = checkSavedProgression(body);
  if (!saved.ok) throw invalid(saved.problems);
  return saved.value;
}
