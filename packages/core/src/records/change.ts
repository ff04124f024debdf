import { differing, isSame, mergeFields } from './merge.ts';

/** A record's content and whether it lies in the bin. */
export interface RecordState {
  readonly content: Fields;
  readonly binned: boolean;
}

/** Fields of a content, as JSON. */
export type Fields = Readonly<Record<string, unknown>>;

/** What a write did to one record: enough to take it back without what others changed since. */
export type RecordChange =
  | {
      readonly kind: 'created';
      /** As it was created, by which a later change of it is known; null where it can never be changed. */
      readonly content: Fields | null;
    }
  | {
      readonly kind: 'changed';
      /** The fields that differ, as they were and as they became; one that is not there is missing. */
      readonly before: Fields;
      readonly after: Fields;
      readonly binned: { readonly before: boolean; readonly after: boolean };
      /** Where it came out of the bin: its content then, by which a later change of it is known. */
      readonly content?: Fields;
    };

/** Why a change is not taken back without being asked: the record was changed, or put into the bin or out of it, since. */
export type Since = 'changed' | 'binned';

/**
 * @param apart fields of which only the entries that differ are kept, as in {@link mergeFields}
 * @returns undefined where nothing changed
 */
export function changeBetween(
  before: RecordState | undefined,
  after: RecordState,
  apart: readonly string[] = [],
): RecordChange | undefined {
  if (!before) return { kind: 'created', content: after.content };
  const fields = [...new Set([...Object.keys(before.content), ...Object.keys(after.content)])].filter(
    (field) => !isSame(before.content[field], after.content[field]),
  );
  if (fields.length === 0 && before.binned === after.binned) return undefined;
  const pairs = fields.map((field) => {
    const [was, is] = [before.content[field], after.content[field]];
    return [field, apart.includes(field) ? differing(was, is) : [was, is]] as const;
  });
  const side = (which: 0 | 1) => Object.fromEntries(pairs.map(([field, pair]) => [field, pair[which]]));
  return {
    kind: 'changed',
    before: only(side(0), fields),
    after: only(side(1), fields),
    binned: { before: before.binned, after: after.binned },
    ...(before.binned && !after.binned && { content: after.content }),
  };
}

/**
 * The state of a record without a change that was made to it: what was created goes into the bin, and only the fields
 * that the change wrote are put back.
 * @param apart fields whose entries are put back one by one, as in {@link mergeFields}
 * @param anyway also over what was changed since; otherwise the reason is the failure
 */
export function withoutChange(
  change: RecordChange,
  now: RecordState,
  apart: readonly string[] = [],
  anyway = false,
): RecordState | Since {
  if (change.kind === 'created') {
    const isTheirs = !now.binned && change.content !== null && !isSame(now.content, change.content);
    return isTheirs && !anyway ? 'changed' : { ...now, binned: true };
  }
  const { before, after, binned, content } = change;
  // Into the bin again with what others made of it, only when that is wished.
  if (content && !now.binned && !isSame(now.content, content) && !anyway) return 'changed';
  const isMoved = now.binned !== binned.after;
  // A change that only moved the record, and was moved back since, leaves nothing to do.
  if (isMoved && binned.before === binned.after && !anyway) return 'binned';
  const fields = [...new Set([...Object.keys(before), ...Object.keys(after)])];
  const { merged, clashes } = mergeFields<Fields>(after, before, only(now.content, fields), apart);
  if (clashes.length > 0 && !anyway) return 'changed';
  return { content: { ...without(now.content, fields), ...merged }, binned: binned.before };
}

function only(content: Fields, fields: readonly string[]): Fields {
  return Object.fromEntries(
    fields.filter((field) => content[field] !== undefined).map((field) => [field, content[field]]),
  );
}

function without(content: Fields, fields: readonly string[]): Fields {
  return Object.fromEntries(Object.entries(content).filter(([field]) => !fields.includes(field)));
}
