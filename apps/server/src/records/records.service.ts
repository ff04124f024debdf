import { randomUUID } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import { checkContent, isId, recordKind, shown, type Kept, type RecordKindId } from '@same-song/core';
import { literal, Op, type Transaction, type WhereOptions } from 'sequelize';
import { Sequelize, type Repository } from 'sequelize-typescript';
import { broken, invalid, notFound, stale } from '../common/errors.ts';
import { objectIn } from '../database/jsonText.ts';
import { WriteQueue } from '../database/writeQueue.ts';
import { RecordLinkModel, RecordModel } from './record.model.ts';
import { PAGE, type ListQuery } from './records.dto.ts';

/** A record as the API answers it. */
export type Answer = Kept & Readonly<Record<string, unknown>>;

/** As lists show a record; the small fields that its kind lists come with it. */
export interface Listed extends Kept {
  readonly title: string;
  /** Set where the file was damaged and the content cannot be read. */
  readonly broken?: true;
}

/** The same as the file has it. */
type Row = Listed & { readonly sketch: string | null };

/** A page of a list. */
export interface Page {
  readonly items: readonly Listed[];
  /** Where the next page begins; null behind the last. */
  readonly next: number | null;
}

/** Whether a content is JSON, as a damaged file may not have it any more. */
const READABLE = 'json_valid(RecordModel.content)';

/** Records that refer to one in the bin are hidden with it. */
const REFERS_TO_NOTHING_BINNED = literal(
  `NOT EXISTS (SELECT 1 FROM record_links l JOIN records r ON r.id = l.toId
    WHERE l.fromId = RecordModel.id AND r.binnedAt IS NOT NULL)`,
);

/** Keeping, changing, binning and restoring of records of every kind; every change raises the version. */
@Injectable()
export class RecordsService {
  readonly #records: Repository<RecordModel>;
  readonly #links: Repository<RecordLinkModel>;

  constructor(
    sequelize: Sequelize,
    private readonly queue: WriteQueue,
  ) {
    this.#records = sequelize.getRepository(RecordModel);
    this.#links = sequelize.getRepository(RecordLinkModel);
  }

  /** In the order in which they were first kept. */
  async list(kind: RecordKindId, query: ListQuery): Promise<Page> {
    const { which = 'kept', after = 0, limit = PAGE.usual, from, to } = query;
    const at = { ...(from && { [Op.gte]: from }), ...(to && { [Op.lt]: to }) };
    const { listed } = recordKind(kind);
    // Only the fields that lists show: contents can be long, and a page has hundreds.
    const fields = listed.map((field): [ReturnType<typeof literal>, string] => [
      literal(`CASE WHEN ${READABLE} THEN json_extract(RecordModel.content, '$."${field}"') END`),
      field,
    ]);
    const rows = (await this.#records.findAll({
      attributes: ['seq', 'id', 'version', 'title', 'sketch', [literal(READABLE), 'readable'], ...fields],
      raw: true,
      where: {
        [Op.and]: [
          { kind, seq: { [Op.gt]: after }, binnedAt: which === 'binned' ? { [Op.ne]: null } : null },
          ...(from || to ? [{ at }] : []),
          REFERS_TO_NOTHING_BINNED,
        ],
      },
      order: [['seq', 'ASC']],
      limit: limit + 1,
    })) as unknown as readonly (Row & { readonly seq: number; readonly readable: 0 | 1 })[];
    const items = rows
      .slice(0, limit)
      .map(({ seq: _, readable, ...item }) =>
        readable ? unpacked(kind, item) : { ...unpacked(kind, item), broken: true as const },
      );
    return { items, next: rows.length > limit ? rows[limit - 1]!.seq : null };
  }

  /** Whole records, those that are not there left out. */
  async contents(kind: RecordKindId, ids: readonly string[]): Promise<readonly Answer[]> {
    const rows = await this.#records.findAll({ where: { kind, id: [...ids] } });
    return rows.filter(isReadable).map(answer);
  }

  /** @throws ApiError 404 when it is not there or lies in the bin */
  async get(kind: RecordKindId, id: string): Promise<Answer> {
    const record = await this.#found(kind, id);
    if (!isReadable(record)) throw broken(recordKind(kind).one);
    return answer(record);
  }

  create(kind: RecordKindId, content: unknown): Promise<Answer> {
    return this.queue.run(async (transaction) => {
      const value = await this.#checked(kind, content, transaction);
      const id = randomUUID();
      const record = await this.#records.create(
        { id, ...fieldsOf(kind, value), version: 1 },
        { transaction },
      );
      await this.#linkAll(kind, [{ id, content: value }], transaction);
      return answer(record);
    });
  }

  /** @param body the content with the version that the client saw */
  update(kind: RecordKindId, id: string, body: Record<string, unknown>): Promise<Answer> {
    const { version, ...content } = body;
    const isVersion = Number.isInteger(version) && (version as number) >= 1;
    if (!isVersion)
      throw invalid([
        { field: 'version', wrong: shown(version), message: 'The version must be a whole number from 1 on.' },
      ]);
    return this.#change(kind, id, version as number, async (record, transaction) => {
      const value = await this.#checked(kind, content, transaction);
      await this.#checkReferring(kind, id, value, transaction);
      await this.#linkAll(kind, [{ id, content: value }], transaction);
      return record.update({ ...fieldsOf(kind, value), version: record.version + 1 }, { transaction });
    });
  }

  /** Into the bin. */
  bin(kind: RecordKindId, id: string, version: number): Promise<Answer> {
    return this.#change(kind, id, version, (record, transaction) =>
      record.update({ binnedAt: new Date(), version: record.version + 1 }, { transaction }),
    );
  }

  /** Takes a record out of the bin; one that is not in the bin stays as it is. */
  restore(kind: RecordKindId, id: string): Promise<Answer> {
    return this.queue.run(async (transaction) => {
      const record = await this.#records.findOne({ where: { kind, id }, transaction });
      if (!record) throw notFound(recordKind(kind).one);
      if (!record.binnedAt) return answer(record);
      // What it refers to may have become another thing meanwhile.
      if (Object.keys(recordKind(kind).refersTo ?? {}).length > 0)
        await this.#checked(kind, record.content, transaction);
      return answer(await record.update({ binnedAt: null, version: record.version + 1 }, { transaction }));
    });
  }

  /** Every record of a kind that is not in the bin, nor refers to one that is; oldest first; what cannot be read is left out. */
  async all(kind: RecordKindId, transaction: Transaction): Promise<RecordModel[]> {
    const where = { [Op.and]: [{ kind, binnedAt: null }, REFERS_TO_NOTHING_BINNED] } as WhereOptions;
    const rows = await this.#records.findAll({ where, order: [['seq', 'ASC']], transaction });
    return rows.filter(isReadable);
  }

  /** Records of any kind by their ids, the bin included. */
  async find(ids: readonly string[], transaction: Transaction): Promise<ReadonlyMap<string, RecordModel>> {
    const found = await this.#records.findAll({ where: { id: [...ids] }, transaction });
    return new Map(found.map((record) => [record.id, record]));
  }

  count(): Promise<number> {
    return this.#records.count();
  }

  /**
   * Keeps records that were checked already under their ids; those that are there get this content and come out of the
   * bin. What they refer to must be kept before.
   */
  async keepAll(kind: RecordKindId, records: readonly Checked[], transaction: Transaction): Promise<void> {
    const fresh = records.filter(({ there }) => !there);
    await this.#records.bulkCreate(
      fresh.map(({ id, content }) => ({ id, ...fieldsOf(kind, content), version: 1 })),
      { transaction },
    );
    for (const { there, content } of records)
      await there?.update({ ...fieldsOf(kind, content), version: there.version + 1 }, { transaction });
    await this.#linkAll(kind, records, transaction);
  }

  #change(
    kind: RecordKindId,
    id: string,
    version: number,
    change: (record: RecordModel, transaction: Transaction) => Promise<RecordModel>,
  ): Promise<Answer> {
    return this.queue.run(async (transaction) => {
      const record = await this.#found(kind, id, transaction);
      if (record.version !== version) throw stale(answer(record));
      return answer(await change(record, transaction));
    });
  }

  async #found(kind: RecordKindId, id: string, transaction?: Transaction): Promise<RecordModel> {
    const where = { kind, id, binnedAt: null } as WhereOptions;
    const found = await this.#records.findOne({ where, ...(transaction && { transaction }) });
    if (!found) throw notFound(recordKind(kind).one);
    return found;
  }

  /** @throws ApiError 404 for a record it refers to that is not there, 422 for anything else that is wrong */
  async #checked(kind: RecordKindId, content: unknown, transaction: Transaction): Promise<object> {
    const { refersTo = {} } = recordKind(kind);
    const referred = new Map<string, object>();
    for (const [field, to] of Object.entries(refersTo)) {
      const other = to as RecordKindId;
      const id = (content as Record<string, unknown> | undefined)?.[field];
      if (typeof id !== 'string') continue;
      // What is no id never reaches the database, which takes no NUL in a text.
      if (!isId(id)) throw invalid([{ field, wrong: shown(id), message: 'A record is named by its id.' }]);
      referred.set(`${other} ${id}`, (await this.#found(other, id, transaction)).content ?? {});
    }
    const checked = checkContent(kind, content, (other, id) => referred.get(`${other} ${id}`));
    if (!checked.ok) throw invalid(checked.problems);
    return checked.value;
  }

  /**
   * What refers to a record must still be sound with its new content: a question asked of a harmonica means nothing on a
   * harp. @throws ApiError 422 naming what stands in the way
   */
  async #checkReferring(kind: RecordKindId, id: string, content: object, transaction: Transaction) {
    const links = await this.#links.findAll({ where: { toId: id }, transaction });
    const referring = await this.find(
      links.map(({ fromId }) => fromId),
      transaction,
    );
    // What else they refer to stands as it is.
    const beside = await this.#links.findAll({ where: { fromId: [...referring.keys()] }, transaction });
    const standing = await this.find(
      beside.map(({ toId }) => toId),
      transaction,
    );
    const referred = (other: string, at: string) => {
      if (other === kind && at === id) return content;
      const found = standing.get(at);
      return found?.kind === other ? found.content : undefined;
    };
    const broken = [...referring.values()].filter((record) => {
      if (record.binnedAt) return false;
      return !checkContent(record.kind as RecordKindId, record.content, referred).ok;
    });
    if (broken.length === 0) return;
    const names = broken.map(({ title }) => `“${title}”`).join(', ');
    const message = `${names} would no longer fit what this becomes. Keep this as it is and add another one beside it.`;
    throw invalid([{ field: '', wrong: shown(names), message }]);
  }

  async #linkAll(kind: RecordKindId, records: readonly Checked[], transaction: Transaction): Promise<void> {
    const fields = Object.keys(recordKind(kind).refersTo ?? {});
    if (fields.length === 0) return;
    await this.#links.destroy({ where: { fromId: records.map(({ id }) => id) }, transaction });
    const links = records.flatMap(({ id: fromId, content }) =>
      fields.flatMap((field) => {
        // A reference may be left out.
        const toId = (content as Record<string, string | undefined>)[field];
        return toId === undefined ? [] : [{ fromId, field, toId }];
      }),
    );
    await this.#links.bulkCreate(links, { transaction });
  }
}

/** A record whose content was checked, and the one that stands under its id. */
export interface Checked {
  readonly id: string;
  readonly content: object;
  readonly there?: RecordModel | undefined;
}

/** What is kept of a checked content, out of the bin. */
function fieldsOf(kind: RecordKindId, content: object) {
  const { title, appendOnly, sketch } = recordKind(kind);
  return {
    ...{ kind, title: title(content), content, binnedAt: null },
    sketch: sketch?.(content) ?? null,
    at: appendOnly?.at(content) ?? null,
  };
}

function isReadable({ content }: RecordModel): boolean {
  return content !== undefined;
}

function answer({ id, version, content }: RecordModel): Answer {
  return { ...content, id, version };
}

/** SQLite hands out lists and objects within a content as text. */
function unpacked(kind: RecordKindId, { sketch, ...item }: Row): Listed {
  const { listed, fields } = recordKind(kind);
  const packed = listed.filter((field) => {
    const { type } = fields[field] as { type?: string };
    return type === 'array' || type === 'object';
  });
  const values = item as unknown as Readonly<Record<string, unknown>>;
  const read = packed.map((field) => {
    const value = values[field];
    return [field, typeof value === 'string' ? (JSON.parse(value) as unknown) : value];
  });
  return {
    ...item,
    ...(sketch !== null && { sketch: objectIn(sketch) }),
    ...(Object.fromEntries(read) as object),
  };
}
