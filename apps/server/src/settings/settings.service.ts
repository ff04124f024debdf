import { Injectable } from '@nestjs/common';
import { checkSettings, DEFAULT_SETTINGS, type Settings, type SettingsRecord } from '@same-song/core/records';
import type { Transaction } from 'sequelize';
import { Sequelize, type Repository } from 'sequelize-typescript';
import { invalid, stale } from '../common/errors.ts';
import { WriteQueue } from '../database/writeQueue.ts';
import { SettingsModel } from './settings.model.ts';
import type { SettingsBody } from './settings.dto.ts';

@Injectable()
export class SettingsService {
  readonly #rows: Repository<SettingsModel>;

  constructor(
    sequelize: Sequelize,
    private readonly queue: WriteQueue,
  ) {
    this.#rows = sequelize.getRepository(SettingsModel);
  }

  async get(transaction?: Transaction): Promise<SettingsRecord> {
    const row = await this.#rows.findByPk(SettingsModel.ROW, transaction ? { transaction } : {});
    const checked = row && checkSettings(row.value);
    if (!row || !checked?.ok) return { value: DEFAULT_SETTINGS, version: row?.version ?? 0 };
    return { value: checked.value, version: row.version };
  }

  save({ value, version }: SettingsBody): Promise<SettingsRecord> {
    const checked = checkSettings(value);
    if (!checked.ok) throw invalid(checked.problems);
    return this.queue.run(async (transaction) => {
      const current = await this.get(transaction);
      if (current.version !== version) throw stale(current);
      return this.put(checked.value, version + 1, transaction);
    });
  }

  async put(value: Settings, version: number, transaction: Transaction): Promise<SettingsRecord> {
    await this.#rows.upsert({ id: SettingsModel.ROW, value, version }, { transaction });
    return { value, version };
  }
}
