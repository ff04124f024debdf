import { Injectable } from '@nestjs/common';
import { isId, isRecord, shown } from '@same-song/core';
import { checkContent, recordKind, type Fields, type RecordKindId } from '@same-song/core/records';
import type { Transaction } from 'sequelize';
import { Sequelize, type Repository } from 'sequelize-typescript';
import { invalid } from '../common/errors.ts';
import { RecordLinkModel } from './record.model.ts';
import { RecordsService } from './records.service.ts';

/** Checks contents together with the records that they name and those that name them, and keeps the links between them. */
@Injectable()
export class ReferencesService {
  readonly #links: Repository<RecordLinkModel>;

  constructor(
    sequelize: Sequelize,
    private readonly records: RecordsService,
  ) {
    this.#links = sequelize.getRepository(RecordLinkModel);
  }

  /** @throws ApiError 404 for a record it refers to that is not there, 422 for anything else that is wrong */
  async checked(kind: RecordKindId, content: unknown, transaction: Transaction): Promise<Fields> {
    const { refersTo = {} } = recordKind(kind);
    const referred = new Map<string, object>();
    for (const [field, other] of Object.entries(refersTo)) {
      const id = isRecord(content) ? content[field] : undefined;
      if (typeof id !== 'string' || !other) continue;
      // What is no id never reaches the database, which takes no NUL in a text.
      if (!isId(id)) throw invalid([{ field, wrong: shown(id), message: 'A record is named by its id.' }]);
      referred.set(`${other} ${id}`, (await this.records.found(other, id, transaction)).content ?? {});
    }
    const checked = checkContent(kind, content, (other, id) => referred.get(`${other} ${id}`));
    if (!checked.ok) throw invalid(checked.problems);
    return checked.value;
  }

  /**
   * What refers to a record must still be sound with its new content: a question asked of a harmonica means nothing on a
   * harp. @throws ApiError 422 naming what stands in the way
   */
  async checkReferring(
    kind: RecordKindId,
    id: string,
    content: Fields,
    transaction: Transaction,
  ): Promise<void> {
    const links = await this.#links.findAll({ where: { toId: id }, transaction });
    const referring = await this.records.find(
      links.map(({ fromId }) => fromId),
      transaction,
    );
    // What else they refer to stands as it is.
    const beside = await this.#links.findAll({ where: { fromId: [...referring.keys()] }, transaction });
    const standing = await this.records.find(
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
      return !checkContent(record.kind, record.content, referred).ok;
    });
    if (broken.length === 0) return;
    const names = broken.map(({ title }) => `“${title}”`).join(', ');
    const message = `${names} would no longer fit what this becomes. Keep this as it is and add another one beside it.`;
    throw invalid([{ field: '', wrong: shown(names), message }]);
  }

  /** Keeps which records these name, in place of those that they named before. */
  async link(
    kind: RecordKindId,
    records: readonly { readonly id: string; readonly content: Fields }[],
    transaction: Transaction,
  ): Promise<void> {
    const fields = Object.keys(recordKind(kind).refersTo ?? {});
    if (fields.length === 0) return;
    await this.#links.destroy({ where: { fromId: records.map(({ id }) => id) }, transaction });
    const links = records.flatMap(({ id: fromId, content }) =>
      fields.flatMap((field) => {
        // A reference may be left out.
        const toId = content[field];
        return typeof toId === 'string' ? [{ fromId, field, toId }] : [];
      }),
    );
    await this.#links.bulkCreate(links, { transaction });
  }
}
