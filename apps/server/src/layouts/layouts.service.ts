import { Injectable } from '@nestjs/common';
import { checkSavedLayout, type SavedLayout } from '@same-song/core';
import { Sequelize } from 'sequelize-typescript';
import { invalid } from '../common/errors.ts';
import { RecordStore } from '../common/recordStore.ts';
import { WriteQueue } from '../database/writeQueue.ts';
import { LayoutModel } from './layout.model.ts';
import type { LayoutBody, LayoutUpdate } from './layout.dto.ts';

@Injectable()
export class LayoutsService {
  readonly #store: RecordStore<LayoutModel>;

  constructor(sequelize: Sequelize, queue: WriteQueue) {
    this.#store = new RecordStore(sequelize.getRepository(LayoutModel), queue, 'This layout');
  }

  list(which: 'kept' | 'binned'): Promise<LayoutModel[]> {
    return this.#store.list(which === 'binned');
  }

  create(body: LayoutBody): Promise<LayoutModel> {
    const saved = checked(body);
    return this.#store.create(() => Promise.resolve(saved));
  }

  update(id: string, { version, ...body }: LayoutUpdate): Promise<LayoutModel> {
    const saved = checked(body);
    return this.#store.update(id, version, () => Promise.resolve(saved));
  }

  bin(id: string, version: number): Promise<void> {
    return this.#store.bin(id, version);
  }

  restore(id: string): Promise<LayoutModel> {
    return this.#store.restore(id);
  }
}

function checked(body: object): SavedLayout {
  const saved = checkSavedLayout(body);
  if (!saved.ok) throw invalid(saved.problems);
  return saved.value;
}
