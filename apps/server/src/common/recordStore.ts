import { Op, type CreationAttributes, type Transaction, type WhereOptions } from 'sequelize';
import type { Model, Repository } from 'sequelize-typescript';
import type { WriteQueue } from '../database/writeQueue.ts';
import { notFound, stale } from './errors.ts';

/** What every kept record has beside its content. */
export interface RecordModel extends Model {
  id: string;
  version: number;
  binnedAt: Date | null;
}

/** Keeping, changing, binning and restoring of one kind of record; every change raises the version. */
export class RecordStore<M extends RecordModel> {
  constructor(
    private readonly model: Repository<M>,
    private readonly queue: WriteQueue,
    /** E.g. `This instrument`. */
    private readonly what: string,
  ) {}

  /** Oldest first, in a stable order. */
  list(binned: boolean): Promise<M[]> {
    return this.model.findAll({
      where: this.#where({}, binned),
      order: [
        ['createdAt', 'ASC'],
        ['id', 'ASC'],
      ],
    });
  }

  /** @throws ApiError 404 when it is not there or lies in the bin */
  async get(id: string, transaction?: Transaction): Promise<M> {
    const found = await this.model.findOne({
      where: this.#where({ id }, false),
      ...(transaction && { transaction }),
    });
    if (!found) throw notFound(this.what);
    return found;
  }

  create(content: (transaction: Transaction) => Promise<object>): Promise<M> {
    return this.queue.run(async (transaction) =>
      this.model.create({ ...(await content(transaction)), version: 1 } as unknown as CreationAttributes<M>, {
        transaction,
      }),
    );
  }

  /** @throws ApiError 409 with the current record when the version is not the one that stands */
  update(id: string, version: number, content: (transaction: Transaction) => Promise<object>): Promise<M> {
    return this.queue.run(async (transaction) => {
      const record = await this.get(id, transaction);
      if (record.version !== version) throw stale(record);
      return record.update({ ...(await content(transaction)), version: version + 1 }, { transaction });
    });
  }

  async bin(id: string, version: number): Promise<void> {
    await this.update(id, version, () => Promise.resolve({ binnedAt: new Date() }));
  }

  /** Takes a record out of the bin; one that is not in the bin stays as it is. */
  restore(id: string): Promise<M> {
    return this.queue.run(async (transaction) => {
      const record = await this.model.findOne({ where: { id } as WhereOptions, transaction });
      if (!record) throw notFound(this.what);
      if (!record.binnedAt) return record;
      return record.update({ binnedAt: null, version: record.version + 1 }, { transaction });
    });
  }

  #where(where: object, binned: boolean): WhereOptions {
    return binned ? { ...where, binnedAt: { [Op.ne]: null } } : { ...where, binnedAt: null };
  }
}
