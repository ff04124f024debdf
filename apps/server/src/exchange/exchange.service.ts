import { isDeepStrictEqual } from 'node:util';
import { Injectable } from '@nestjs/common';
import {
  checkExchange,
  EXCHANGE_FORMAT,
  EXCHANGE_VERSION,
  type ExchangedQuestion,
  type ExchangedInstrument,
  type ExchangedLayout,
  type ExchangedProgression,
  type ExchangeFile,
} from '@same-song/core';
import type { CreationAttributes, Transaction } from 'sequelize';
import { Sequelize, type Repository } from 'sequelize-typescript';
import { QuestionModel } from '../questions/question.model.ts';
import { invalid } from '../common/errors.ts';
import type { RecordModel } from '../common/recordStore.ts';
import { WriteQueue } from '../database/writeQueue.ts';
import { InstrumentModel } from '../instruments/instrument.model.ts';
import { LayoutModel } from '../layouts/layout.model.ts';
import { ProgressionModel } from '../progressions/progression.model.ts';
import { SettingsService } from '../settings/settings.service.ts';

/** What an import changes of one kind of record: names, and how many are the same already. */
export interface KindReport {
  readonly added: string[];
  readonly changed: string[];
  same: number;
}

export interface ImportReport {
  readonly applied: boolean;
  readonly instruments: KindReport;
  readonly questions: KindReport;
  readonly progressions: KindReport;
  readonly layouts: KindReport;
  readonly settings: 'changed' | 'same';
}

const ORDER: [string, string][] = [
  ['createdAt', 'ASC'],
  ['id', 'ASC'],
];

const instrumentContent = (i: ExchangedInstrument): ExchangedInstrument => ({
  id: i.id,
  family: i.family,
  name: i.name,
  layout: i.layout,
  capability: i.capability,
  a4: i.a4,
  notes: i.notes,
  measured: i.measured,
  choices: i.choices,
});
const questionContent = (a: ExchangedQuestion): ExchangedQuestion => ({
  id: a.id,
  name: a.name,
  instrumentId: a.instrumentId,
  question: a.question,
});

const progressionContent = ({ id, name, text, beats }: ExchangedProgression): ExchangedProgression => ({
  id,
  name,
  text,
  beats,
});

const layoutContent = ({ id, family, name, layout }: ExchangedLayout): ExchangedLayout => ({
  id,
  family,
  name,
  layout,
});

@Injectable()
export class ExchangeService {
  readonly #instruments: Repository<InstrumentModel>;
  readonly #questions: Repository<QuestionModel>;
  readonly #progressions: Repository<ProgressionModel>;
  readonly #layouts: Repository<LayoutModel>;

  constructor(
    sequelize: Sequelize,
    private readonly queue: WriteQueue,
    private readonly settings: SettingsService,
  ) {
    this.#instruments = sequelize.getRepository(InstrumentModel);
    this.#questions = sequelize.getRepository(QuestionModel);
    this.#progressions = sequelize.getRepository(ProgressionModel);
    this.#layouts = sequelize.getRepository(LayoutModel);
  }

  /** True when nothing was ever kept, the bin included. */
  async isEmpty(): Promise<boolean> {
    return (await this.#instruments.count()) === 0 && (await this.#questions.count()) === 0;
  }

  /** Read between two writes, so that it is one consistent state. */
  export(): Promise<ExchangeFile> {
    return this.queue.run(async (transaction) => {
      const kept = { where: { binnedAt: null }, order: ORDER, transaction };
      const instruments = (await this.#instruments.findAll(kept)).map(instrumentContent);
      const known = new Set(instruments.map((instrument) => instrument.id));
      const questions = (await this.#questions.findAll(kept)).map(questionContent);
      const progressions = (await this.#progressions.findAll(kept)).map(progressionContent);
      const layouts = (await this.#layouts.findAll(kept)).map(layoutContent);
      const { value } = await this.settings.get(transaction);
      return {
        format: EXCHANGE_FORMAT,
        version: EXCHANGE_VERSION,
        instruments,
        questions: questions.filter((question) => known.has(question.instrumentId)),
        progressions,
        layouts,
        settings: value,
      };
    });
  }

  /** @throws ApiError 422 with every problem of the file; then nothing was changed */
  import(file: unknown, apply: boolean): Promise<ImportReport> {
    const checked = checkExchange(file);
    if (!checked.ok) throw invalid(checked.problems);
    const { instruments, questions, progressions, layouts, settings } = checked.value;
    return this.queue.run(async (transaction) => {
      const current = await this.settings.get(transaction);
      const same = isDeepStrictEqual(current.value, settings);
      const report: ImportReport = {
        applied: apply,
        instruments: await take(this.#instruments, instruments, instrumentContent, apply, transaction),
        questions: await take(this.#questions, questions, questionContent, apply, transaction),
        progressions: await take(this.#progressions, progressions, progressionContent, apply, transaction),
        layouts: await take(this.#layouts, layouts, layoutContent, apply, transaction),
        settings: same ? 'same' : 'changed',
      };
      if (apply && !same) await this.settings.put(settings, current.version + 1, transaction);
      return report;
    });
  }
}

/** Adds what is not there, changes what differs or lies in the bin, leaves the rest. */
async function take<M extends RecordModel & C, C extends { id: string; name: string }>(
  rows: Repository<M>,
  records: readonly C[],
  content: (record: C) => C,
  apply: boolean,
  transaction: Transaction,
): Promise<KindReport> {
  const report: KindReport = { added: [], changed: [], same: 0 };
  for (const record of records) {
    const row = await rows.findByPk(record.id, { transaction });
    if (!row) {
      report.added.push(record.name);
      if (apply)
        await rows.create({ ...record, version: 1 } as unknown as CreationAttributes<M>, { transaction });
    } else if (row.binnedAt || !isDeepStrictEqual(content(row), record)) {
      report.changed.push(record.name);
      if (apply) await row.update({ ...record, binnedAt: null, version: row.version + 1 }, { transaction });
    } else {
      report.same += 1;
    }
  }
  return report;
}
