import type { Problem } from '../result.ts';
import type { Settings } from '../settings/settings.ts';
import { contentSchema, type ContentOf } from './kinds.ts';
import { RECORD_KIND_IDS, type RecordKindId } from './kindNames.ts';
import type { Kept } from './recordKind.ts';

/** What the server answers when it refuses. */
export interface ErrorBody {
  readonly status: number;
  /** A stable word for programs: `invalid`, `stale`, `not-found` … */
  readonly code: string;
  /** A sentence for the user. */
  readonly message: string;
  readonly problems: readonly Problem[];
  /** With `stale`: the record as it stands on the server. */
  readonly current?: unknown;
  /** Of several writes: the place of the one that is refused, counted from 0. */
  readonly write?: number;
}

/** As lists show a record; the small fields that its kind lists come with it. */
export interface Listed extends Kept {
  readonly title: string;
  /** Set where the file was damaged and the content cannot be read. */
  readonly broken?: true;
}

/** A page of a list. */
export interface ListPage {
  readonly items: readonly Listed[];
  /** Where the next page begins; null behind the last. */
  readonly next: number | null;
}

/** One write to a record; a version is the one that was seen. */
export type Write<K extends RecordKindId = RecordKindId, Content = ContentOf<K>> =
  | { readonly op: 'create'; readonly kind: K; readonly content: Content }
  | (Kept & { readonly op: 'update'; readonly kind: K; readonly content: Content })
  | (Kept & { readonly op: 'bin'; readonly kind: K })
  | { readonly op: 'restore'; readonly kind: K; readonly id: string };

/** A change that was made: by its id it is taken back. */
export interface MadeChange<Record extends Kept = Kept> {
  readonly id: string;
  /** The records as they stand after it, in the order of the writes. */
  readonly records: readonly Record[];
}

/** What an import does, or would do, to the records of a kind: titles of those that are new or changed. */
export interface KindReport {
  readonly added: readonly string[];
  readonly changed: readonly string[];
  readonly same: number;
}

export type ImportReport = Readonly<Record<RecordKindId, KindReport>> & {
  readonly applied: boolean;
  readonly settings: 'changed' | 'same';
  /** By this the import is taken back; left out where it changed nothing. */
  readonly change?: string;
};

/** Settings with the version they stand at; 0 when nothing was saved yet. */
export interface SettingsRecord {
  readonly value: Settings;
  readonly version: number;
}

const ID = { type: 'string', format: 'uuid' };
const VERSION = { type: 'integer', minimum: 1 };
const TITLES = { type: 'array', items: { type: 'string' } };

/** JSON Schema of an object of which all but the optional properties are there, and perhaps others. */
function objectOf(properties: Readonly<Record<string, object>>, optional: readonly string[] = []): object {
  const required = Object.keys(properties).filter((name) => !optional.includes(name));
  return { type: 'object', properties, required };
}

/** JSON Schema of a record of a kind as it is answered. */
export function answerSchema(kind: RecordKindId): object {
  return contentSchema(kind, { id: ID, version: VERSION });
}

/** JSON Schemas of the other answers, by what they are. */
export const ANSWER_SCHEMAS = Object.freeze({
  page: objectOf({
    items: {
      type: 'array',
      items: objectOf({ id: ID, version: VERSION, title: { type: 'string' }, broken: { const: true } }, [
        'broken',
      ]),
    },
    next: { type: ['integer', 'null'] },
  }),
  change: objectOf({ id: ID, records: { type: 'array', items: objectOf({ id: ID, version: VERSION }) } }),
  importReport: objectOf(
    {
      ...Object.fromEntries(
        RECORD_KIND_IDS.map((kind): [string, object] => [
          kind,
          objectOf({ added: TITLES, changed: TITLES, same: { type: 'integer', minimum: 0 } }),
        ]),
      ),
      applied: { type: 'boolean' },
      settings: { enum: ['changed', 'same'] },
      change: ID,
    },
    ['change'],
  ),
  settings: objectOf({ value: { type: 'object' }, version: { type: 'integer', minimum: 0 } }),
  health: objectOf({ ok: { const: true } }),
  error: objectOf(
    {
      status: { type: 'integer' },
      code: { type: 'string' },
      message: { type: 'string' },
      problems: {
        type: 'array',
        items: objectOf(
          {
            field: { type: 'string' },
            wrong: { type: 'string' },
            message: { type: 'string' },
            position: { type: 'integer', minimum: 0 },
          },
          ['position'],
        ),
      },
      current: {},
      write: { type: 'integer', minimum: 0 },
    },
    ['current', 'write'],
  ),
});
