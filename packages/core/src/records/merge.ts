import { keysOf } from '../objects.ts';
/** Two edits of one record, begun on the same text, put together. */
export interface Merge<T> {
  /** What only one side changed as that side has it; where both did, as the first has it. */
  readonly merged: T;
  /** Fields that both changed, each to something else. */
  readonly clashes: readonly (keyof T)[];
}

/**
 * Merges two versions of a record field by field against the one that both were begun on.
 * @param apart fields that are merged entry by entry: objects by field, lists by the `id` or `at` of their entries, lists
 * of plain values as sets; entries of entries alike
 */
export function mergeFields<T extends object>(
  base: T,
  first: T,
  second: T,
  apart: readonly (keyof T)[] = [],
): Merge<T> {
  const clashes: (keyof T)[] = [];
  const merged = { ...first };
  for (const field of fieldsOf(base, first, second)) {
    const [was, mine, theirs] = [base[field], first[field], second[field]];
    if (apart.includes(field)) {
      const inside = mergeEntries(was, mine, theirs);
      put(merged, field, inside.merged as T[typeof field]);
      if (inside.clash) clashes.push(field);
      continue;
    }
    if (isSame(mine, theirs) || isSame(theirs, was)) continue;
    if (isSame(mine, was)) put(merged, field, theirs);
    else clashes.push(field);
  }
  return { merged, clashes };
}

/**
 * Leaves of two values only the entries in which they differ, so that little has to be kept of a change to a long list;
 * merging these gives the same as merging the whole.
 */
export function differing(before: unknown, after: unknown): readonly [unknown, unknown] {
  if (isObject(before) && isObject(after)) {
    const fields = fieldsOf(before, after).filter((field) => !isSame(before[field], after[field]));
    const inside = fields.map((field) => [field, differing(before[field], after[field])] as const);
    const side = (which: 0 | 1) =>
      Object.fromEntries(
        inside.flatMap(([field, pair]) => (pair[which] === undefined ? [] : [[field, pair[which]]])),
      );
    return [side(0), side(1)];
  }
  const [own, others] = [entriesOf(before), entriesOf(after)];
  if (!own || !others) return [before, after];
  const keys = [...new Set([...own.keys(), ...others.keys()])].filter(
    (key) => !isSame(own.get(key), others.get(key)),
  );
  const pairs = keys.map((key) => {
    const [was, is] = [own.get(key), others.get(key)];
    const [less, more] = isObject(was) && isObject(is) ? differing(was, is) : [was, is];
    // An entry is known by its key, which is the same on both sides.
    return [named(less, was), named(more, is)] as const;
  });
  return [
    pairs.flatMap(([one]) => (one === undefined ? [] : [one])),
    pairs.flatMap(([, one]) => (one === undefined ? [] : [one])),
  ];
}

/** Whether two values of plain JSON are the same; the order of fields means nothing, and one that is undefined is missing. */
export function isSame(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (Array.isArray(a) && Array.isArray(b))
    return a.length === b.length && a.every((entry, i) => isSame(entry, b[i]));
  if (!isObject(a) || !isObject(b)) return false;
  return fieldsOf(a, b).every((field) => isSame(a[field], b[field]));
}

type JsonObject = Readonly<Record<string, unknown>>;

interface MergedEntries {
  readonly merged: unknown;
  readonly clash: boolean;
}

function mergeEntries(was: unknown, mine: unknown, theirs: unknown): MergedEntries {
  if (isSame(mine, theirs) || isSame(theirs, was)) return { merged: mine, clash: false };
  if (isSame(mine, was)) return { merged: theirs, clash: false };
  if (isObject(was) && isObject(mine) && isObject(theirs)) {
    const merged: Record<string, unknown> = {};
    let clash = false;
    for (const field of fieldsOf(was, mine, theirs)) {
      const inside = mergeEntries(was[field], mine[field], theirs[field]);
      put(merged, field, inside.merged);
      clash ||= inside.clash;
    }
    return { merged, clash };
  }
  const [old, own, others] = [entriesOf(was), entriesOf(mine), entriesOf(theirs)];
  if (!old || !own || !others) return { merged: mine, clash: true };
  const merged: unknown[] = [];
  let clash = false;
  for (const key of new Set([...others.keys(), ...own.keys()])) {
    const inside = mergeEntries(old.get(key), own.get(key), others.get(key));
    if (inside.merged !== undefined) merged.push(inside.merged);
    clash ||= inside.clash;
  }
  return { merged, clash };
}

/** Entries of a list by what they are known by; undefined where they have nothing of the kind, or two have the same. */
function entriesOf(list: unknown): ReadonlyMap<unknown, unknown> | undefined {
  if (!Array.isArray(list)) return undefined;
  const entries = new Map(list.map((entry: unknown) => [keyOf(entry), entry]));
  return entries.size === list.length && !entries.has(undefined) ? entries : undefined;
}

function keyOf(entry: unknown): unknown {
  if (isObject(entry)) return entry['id'] ?? entry['at'];
  return Array.isArray(entry) || entry === null ? undefined : entry;
}

/** What is left of an entry, with what it is known by. */
function named(rest: unknown, whole: unknown): unknown {
  if (!isObject(rest) || !isObject(whole)) return rest;
  return whole['id'] === undefined ? { at: whole['at'], ...rest } : { id: whole['id'], ...rest };
}

function fieldsOf<T extends object>(...versions: readonly T[]): readonly (keyof T & string)[] {
  return [...new Set(versions.flatMap((version) => keysOf(version)))];
}

/** An entry that the other side took away goes. */
function put<T extends object, K extends keyof T>(into: T, field: K, value: T[K]): void {
  if (value === undefined) delete into[field];
  else into[field] = value;
}

function isObject(value: unknown): value is JsonObject {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}
