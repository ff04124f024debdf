import { isDeepStrictEqual } from 'node:util';
import { Injectable } from '@nestjs/common';
import {
  checkExchangeStepwise,
  EXCHANGE_FORMAT,
  EXCHANGE_VERSION,
  recordKind,
  RECORD_KIND_IDS,
  type ExchangeFile,
  type ImportReport,
  type KindReport,
  type RecordKindId,
} from '@same-song/core/records';
import type { Transaction } from 'sequelize';
import { invalid } from '../common/errors.ts';
import { WriteQueue } from '../database/writeQueue.ts';
import { ChangesService, type CheckedContent, type AppliedWrite } from '../records/changes.service.ts';
import { RecordsService } from '../records/records.service.ts';
import { SettingsService } from '../settings/settings.service.ts';

/** Records looked up and kept at once. */
const AT_ONCE = 200;

@Injectable()
export class ExchangeService {
  constructor(
    private readonly queue: WriteQueue,
    private readonly records: RecordsService,
    private readonly changes: ChangesService,
    private readonly settings: SettingsService,
  ) {}

  /** True when nothing was ever kept, the bin included. */
  async isEmpty(): Promise<boolean> {
    return (await this.records.count()) === 0;
  }

  /** Read between two writes, so that it is one consistent state. */
  export(): Promise<ExchangeFile> {
    return this.queue.run(async (transaction) => {
      const lists: [string, object[]][] = [];
      for (const kind of RECORD_KIND_IDS) {
        const rows = await this.records.all(kind, transaction);
        lists.push([kind, rows.map(({ id, content }) => ({ id, ...content }))]);
      }
      const { value } = await this.settings.get(transaction);
      const head = { format: EXCHANGE_FORMAT, version: EXCHANGE_VERSION };
      // Everything that is kept was checked by its kind.
      return { ...head, ...Object.fromEntries(lists), settings: value } as unknown as ExchangeFile;
    });
  }

  /** @throws ApiError 422 with every problem of the file; then nothing was changed */
  async import(file: unknown, apply: boolean): Promise<ImportReport> {
    const checked = await inSlices(checkExchangeStepwise(file));
    if (!checked.ok) throw invalid(checked.problems);
    const { settings } = checked.value;
    return this.queue.run(async (transaction) => {
      const reports: [string, KindReport][] = [];
      const done: AppliedWrite[] = [];
      for (const kind of RECORD_KIND_IDS) {
        const taken = await this.#take(kind, checked.value[kind], apply, transaction);
        reports.push([kind, taken.report]);
        for (const one of taken.done) done.push(one);
      }
      const current = await this.settings.get(transaction);
      const same = isDeepStrictEqual(current.value, settings);
      const byKind = Object.fromEntries(reports) as Record<RecordKindId, KindReport>;
      const report: ImportReport = { applied: apply, ...byKind, settings: same ? 'same' : 'changed' };
      if (!apply || (same && done.length === 0)) return report;
      if (!same) await this.settings.put(settings, current.version + 1, transaction);
      const noted = same ? undefined : { before: current.value, after: settings };
      const { id } = await this.changes.note(done, noted, transaction);
      return { ...report, change: id };
    });
  }

  /** Adds what is not there, changes what differs or lies in the bin, leaves the rest. */
  async #take(
    kind: RecordKindId,
    records: readonly ({ readonly id: string } & object)[],
    apply: boolean,
    transaction: Transaction,
  ): Promise<{ readonly report: KindReport; readonly done: readonly AppliedWrite[] }> {
    const { title } = recordKind(kind);
    const done: AppliedWrite[] = [];
    const added: string[] = [];
    const changed: string[] = [];
    let same = 0;
    for (let at = 0; at < records.length; at += AT_ONCE) {
      const given = records.slice(at, at + AT_ONCE);
      const standing = await this.records.find(
        given.map(({ id }) => id),
        transaction,
      );
      const changes: CheckedContent[] = [];
      for (const { id, ...content } of given) {
        const there = standing.get(id);
        if (there && there.kind !== kind)
          throw invalid([
            { field: `${kind}.id`, wrong: id, message: 'This id belongs to a record of another kind.' },
          ]);
        if (there && !there.binnedAt && isDeepStrictEqual(there.content, content)) {
          same += 1;
          continue;
        }
        (there ? changed : added).push(title(content));
        changes.push({ id, content, there });
      }
      if (apply && changes.length > 0)
        for (const one of await this.changes.keepAll(kind, changes, transaction)) done.push(one);
    }
    return { report: { added, changed, same }, done };
  }
}

/** How long others may have to wait for one slice of long work, in ms. */
const SLICE_MS = 20;

/** Does long work in slices, between which others are answered. */
async function inSlices<T>(work: Generator<undefined, T, undefined>): Promise<T> {
  let until = performance.now() + SLICE_MS;
  for (let step = work.next(); ; step = work.next()) {
    if (step.done) return step.value;
    if (performance.now() < until) continue;
    await new Promise((next) => setImmediate(next));
    until = performance.now() + SLICE_MS;
  }
}
