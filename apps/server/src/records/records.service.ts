import { Injectable } from '@nestjs/common';
import {
  recordKind,
  type Kept,
  type Listed,
  type ListPage,
  type RecordKindId,
} from '@same-song/core/records';
import { literal, Op, type Transaction, type WhereOptions } from 'sequelize';
import { Sequelize, type Repository } from 'sequelize-typescript';
import { broken, notFound } from '../common/errors.ts';
import { objectIn } from '../database/jsonText.ts';
import { RecordModel } from './record.model.ts';
import { PAGE, type ListQuery } from './records.dto.ts';

/** A record as the API answers it. */
export type Answer = Kept & Readonly<Record<string, unknown>>;

/** The same as the file has it. */
type Row = Listed & { readonly sketch: string | null };

/** Whether a content is JSON, as a damaged file may not have it any more. */
const READABLE = 'json_valid(RecordModel.content)';

/** Records that refer to one in the bin are hidden with it. */
const REFERS_TO_NOTHING_BINNED = literal(
  `NOT EXISTS (SELECT 1 FROM record_links l JOIN records r ON r.id = l.toId
    WHERE l.fromId = RecordModel.id AND r.binnedAt IS NOT NULL)`,
);

/** Reads records of every kind. */
@Injectable()
export class RecordsService {
  readonly #records: Repository<RecordModel>;

  constructor(sequelize: Sequelize) {
    this.#records = sequelize.getRepository(RecordModel);
  }

  /** In the order in which they were first kept. */
  async list(kind: RecordKindId, query: ListQuery): Promise<ListPage> {
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
    const record = await this.found(kind, id);
    if (!isReadable(record)) throw broken(recordKind(kind).one);
    return answer(record);
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

  /** @throws ApiError 404 when it is not there or lies in the bin */
  async found(kind: RecordKindId, id: string, transaction?: Transaction): Promise<RecordModel> {
    const where = { kind, id, binnedAt: null } as WhereOptions;
    const found = await this.#records.findOne({ where, ...(transaction && { transaction }) });
    if (!found) throw notFound(recordKind(kind).one);
    return found;
  }
}

function isReadable({ content }: RecordModel): boolean {
  return content !== undefined;
}

/** @returns a record as the API answers it */
export function answer({ id, version, content }: RecordModel): Answer {
  return { ...content, id, version };
}

/** SQLite hands out lists and objects within a content as text. */
function unpacked(kind: RecordKindId, { sketch, ...item }: Row): Listed {
  const { listed, schema } = recordKind(kind);
  const packed = listed.filter((field) => {
    const type = schema.properties[field]?.type;
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
