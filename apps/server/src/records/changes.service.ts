import { randomUUID } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import { counted } from '@same-song/core';
import {
  changeBetween,
  isSame,
  mergeFields,
  recordKind,
  withoutChange,
  type Fields,
  type MadeChange,
  type RecordChange,
  type RecordKindId,
  type Write,
  type RecordState,
  type Settings,
  type Since,
} from '@same-song/core/records';
import { Op, type Transaction } from 'sequelize';
import { Sequelize, type Repository } from 'sequelize-typescript';
import { ApiError, changedSince, invalid, notFound, stale } from '../common/errors.ts';
import { WriteQueue } from '../database/writeQueue.ts';
import { SettingsService } from '../settings/settings.service.ts';
import { ChangedRecordModel, ChangeModel, type SettingsChange } from './change.model.ts';
import { RecordModel } from './record.model.ts';
import { answer, RecordsService, type Answer } from './records.service.ts';
import { ReferencesService } from './references.service.ts';

/** A write whose content is not checked yet. */
export type UncheckedWrite = Write<RecordKindId, unknown>;

/** What was done to a record. */
export interface AppliedWrite {
  readonly record: RecordModel;
  readonly what: RecordChange | undefined;
}

/** A content that was checked, and the record that stands under its id. */
export interface CheckedContent {
  readonly id: string;
  readonly content: Fields;
  readonly there?: RecordModel | undefined;
}

/** So many changes can be taken back; older ones are forgotten. */
export const CHANGES_KEPT = 500;

/** Rows written by one statement. */
const ROWS_AT_ONCE = 100;

/**
 * Every write to the records: creating, changing, binning and restoring, any number in one transaction. What stood before
 * is noted, so that a change can be taken back; that is a change itself, so that it can be made again.
 */
@Injectable()
export class ChangesService {
  readonly #records: Repository<RecordModel>;
  readonly #changes: Repository<ChangeModel>;
  readonly #changed: Repository<ChangedRecordModel>;

  constructor(
    sequelize: Sequelize,
    private readonly queue: WriteQueue,
    private readonly records: RecordsService,
    private readonly references: ReferencesService,
    private readonly settings: SettingsService,
  ) {
    this.#records = sequelize.getRepository(RecordModel);
    this.#changes = sequelize.getRepository(ChangeModel);
    this.#changed = sequelize.getRepository(ChangedRecordModel);
  }

  /** All or nothing. @throws ApiError that names the place of the refused write as `write` */
  write(writes: readonly UncheckedWrite[]): Promise<MadeChange<Answer>> {
    return this.queue.run(async (transaction) => {
      const done: AppliedWrite[] = [];
      for (const [at, write] of writes.entries()) {
        try {
          done.push(await this.#carryOut(write, transaction));
        } catch (error) {
          throw error instanceof ApiError ? new ApiError({ ...error.body, write: at }) : error;
        }
      }
      return this.note(done, undefined, transaction);
    });
  }

  /** One write by itself. @returns the record as it stands after it */
  async writeOne(write: UncheckedWrite): Promise<Answer> {
    const { records } = await this.write([write]);
    return records[0]!;
  }

  /**
   * Takes a change back. Only what it wrote is put back, field by field.
   * @param anyway also over what was changed since; otherwise that is a 409
   * @throws ApiError 404 when the change is not there any more, 409 `changed-since`
   */
  undo(id: string, anyway: boolean): Promise<MadeChange<Answer>> {
    return this.queue.run(async (transaction) => {
      const change = await this.#changes.findOne({ where: { id }, transaction });
      if (!change) throw notFound('This change');
      const parts = await this.#changed.findAll({
        where: { changeSeq: change.seq },
        order: [['place', 'DESC']],
        transaction,
      });
      const standing = await this.records.find(
        parts.map(({ recordId }) => recordId),
        transaction,
      );
      const wanted: { record: RecordModel; state: RecordState }[] = [];
      const since: { title: string; why: Since }[] = [];
      for (const { recordId, what } of parts) {
        const record = standing.get(recordId);
        if (!record || !what) continue;
        const kind = recordKind(record.kind);
        const state = withoutChange(what, stateOf(record), kind.apart, anyway);
        if (typeof state === 'string') since.push({ title: record.title, why: state });
        else wanted.push({ record, state });
      }
      const settings = change.settings
        ? await this.#settingsWithout(change.settings, anyway, transaction)
        : undefined;
      if (settings === 'changed') since.push({ title: 'The settings', why: 'changed' });
      if (settings === 'changed' || since.length > 0) throw changedSince(sinceWords(since, parts.length));
      const done: AppliedWrite[] = [];
      // The last written first, so that what others name comes back before them and goes after them.
      for (const { record, state } of wanted) done.push(await this.#become(record, state, transaction));
      return this.note(done, settings && (await this.#saveSettings(settings, transaction)), transaction);
    });
  }

  /**
   * Keeps contents that were checked already under their ids; those that are there get this content and come out of the
   * bin. What they refer to must be kept before.
   */
  async keepAll(
    kind: RecordKindId,
    records: readonly CheckedContent[],
    transaction: Transaction,
  ): Promise<readonly AppliedWrite[]> {
    const fresh = await this.#records.bulkCreate(
      records
        .filter(({ there }) => !there)
        .map(({ id, content }) => ({ id, ...columnsOf(kind, content), binnedAt: null, version: 1 })),
      { transaction },
    );
    const { apart } = recordKind(kind);
    const done: AppliedWrite[] = fresh.map((record) => ({ record, what: created(record) }));
    for (const { there, content } of records) {
      if (!there) continue;
      // Nobody wants the damaged one back.
      const what = there.content && changeBetween(stateOf(there), { content, binned: false }, apart);
      await there.update(
        { ...columnsOf(kind, content), binnedAt: null, version: there.version + 1 },
        { transaction },
      );
      done.push({ record: there, what });
    }
    await this.references.link(kind, records, transaction);
    return done;
  }

  /** Notes what was done as one change. */
  async note(
    done: readonly AppliedWrite[],
    settings: SettingsChange | undefined,
    transaction: Transaction,
  ): Promise<MadeChange<Answer>> {
    const id = randomUUID();
    const { seq: changeSeq } = await this.#changes.create(
      { id, settings: settings ?? null },
      { transaction },
    );
    const rows = done.flatMap(({ record, what }, place) =>
      what ? [{ changeSeq, place, recordId: record.id, what }] : [],
    );
    for (let at = 0; at < rows.length; at += ROWS_AT_ONCE)
      await this.#changed.bulkCreate(rows.slice(at, at + ROWS_AT_ONCE), { transaction });
    await this.#changes.destroy({ where: { seq: { [Op.lte]: changeSeq - CHANGES_KEPT } }, transaction });
    return { id, records: done.map(({ record }) => answer(record)) };
  }

  async #carryOut(write: UncheckedWrite, transaction: Transaction): Promise<AppliedWrite> {
    const { kind } = write;
    if (write.op === 'create') return this.#create(kind, write.content, transaction);
    if (recordKind(kind).appendOnly) {
      const message = `${recordKind(kind).many} are only ever added to.`;
      throw invalid([{ field: 'op', wrong: write.op, message }]);
    }
    if (write.op === 'restore') {
      const record = await this.#records.findOne({ where: { kind, id: write.id }, transaction });
      if (!record) throw notFound(recordKind(kind).one);
      return this.#become(record, { ...stateOf(record), binned: false }, transaction);
    }
    const record = await this.records.found(kind, write.id, transaction);
    if (record.version !== write.version) throw stale(answer(record));
    if (write.op === 'bin') return this.#become(record, { ...stateOf(record), binned: true }, transaction);
    return this.#become(record, { content: write.content as Fields, binned: false }, transaction);
  }

  async #create(kind: RecordKindId, content: unknown, transaction: Transaction): Promise<AppliedWrite> {
    const value = await this.references.checked(kind, content, transaction);
    const id = randomUUID();
    const record = await this.#records.create(
      { id, ...columnsOf(kind, value), binnedAt: null, version: 1 },
      { transaction },
    );
    await this.references.link(kind, [{ id, content: value }], transaction);
    return { record, what: created(record) };
  }

  /** Gives a record another state, if it is another, with its next version. What comes out of the bin is checked anew. */
  async #become(record: RecordModel, wanted: RecordState, transaction: Transaction): Promise<AppliedWrite> {
    const kind = record.kind;
    const before = stateOf(record);
    const isNew = !isSame(before.content, wanted.content);
    const isLeftDamaged = record.content === undefined && !isNew;
    const content =
      wanted.binned || isLeftDamaged
        ? wanted.content
        : await this.references.checked(kind, wanted.content, transaction);
    const what = changeBetween(before, { ...wanted, content }, recordKind(kind).apart);
    if (!what) return { record, what };
    if (isNew) {
      await this.references.checkReferring(kind, record.id, content, transaction);
      await this.references.link(kind, [{ id: record.id, content }], transaction);
    }
    const columns = isLeftDamaged ? {} : columnsOf(kind, content);
    const binnedAt = wanted.binned ? (record.binnedAt ?? new Date()) : null;
    await record.update({ ...columns, binnedAt, version: record.version + 1 }, { transaction });
    return { record, what };
  }

  async #settingsWithout(
    { before, after }: SettingsChange,
    anyway: boolean,
    transaction: Transaction,
  ): Promise<Settings | 'changed'> {
    const { value } = await this.settings.get(transaction);
    const { merged, clashes } = mergeFields(after, before, value);
    return clashes.length > 0 && !anyway ? 'changed' : merged;
  }

  async #saveSettings(after: Settings, transaction: Transaction): Promise<SettingsChange> {
    const { value: before, version } = await this.settings.get(transaction);
    await this.settings.put(after, version + 1, transaction);
    return { before, after };
  }
}

function sinceWords(since: readonly { readonly title: string; readonly why: Since }[], of: number): string {
  const [first] = since;
  if (of === 1)
    return first!.why === 'binned' ? 'It was put into the bin since.' : 'It was changed elsewhere since.';
  if (since.length === 1) return `${first!.title} was changed elsewhere since.`;
  return `${counted(since.length, 'record')} of it were changed elsewhere since.`;
}

/** A damaged content counts as one without fields, which a change of the bin alone leaves as it is. */
function stateOf({ content, binnedAt }: RecordModel): RecordState {
  return { content: content ?? {}, binned: binnedAt !== null };
}

/** What is only ever added to cannot have been changed since: its content is not needed again. */
function created({ kind, content }: RecordModel): RecordChange {
  const isFixed = recordKind(kind).appendOnly !== undefined;
  return { kind: 'created', content: isFixed ? null : (content ?? {}) };
}

/** What is kept of a checked content. */
function columnsOf(kind: RecordKindId, content: Fields) {
  const { title, appendOnly, sketch } = recordKind(kind);
  return {
    kind,
    title: title(content),
    content,
    sketch: sketch?.(content) ?? null,
    at: appendOnly?.at(content) ?? null,
  };
}
