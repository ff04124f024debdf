/** Two edits of one record, begun on the same text, put together. */
export interface Merge<T> {
  /** What only one side changed as that side has it; where both did, as the first has it. */
  readonly merged: T;
  /** Fields that both changed, each to something else. */
  readonly clashes: readonly (keyof T)[];
}

/**
 * Merges two versions of a record field by field against the one that both were begun on.
 * @param apart fields that hold entries of their own, such as measurements by place: merged entry by entry
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
    if (isSame(mine, theirs) || isSame(theirs, was)) continue;
    if (isSame(mine, was)) put(merged, field, theirs);
    else if (apart.includes(field) && isObject(was) && isObject(mine) && isObject(theirs)) {
      const inside = mergeFields(was, mine, theirs);
      put(merged, field, inside.merged as T[typeof field]);
      if (inside.clashes.length > 0) clashes.push(field);
    } else clashes.push(field);
  }
  return { merged, clashes };
}

function fieldsOf<T extends object>(...versions: readonly T[]): readonly (keyof T)[] {
  return [...new Set(versions.flatMap((version) => Object.keys(version) as (keyof T)[]))];
}

/** An entry that the other side took away goes. */
function put<T extends object, K extends keyof T>(into: T, field: K, value: T[K]): void {
  if (value === undefined) delete into[field];
  else into[field] = value;
}

function isObject(value: unknown): value is object {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

/** Whether two values of plain JSON are the same; the order of fields means nothing. */
export function isSame(a: unknown, b: unknown): boolean {
  return text(a) === text(b);
}

function text(value: unknown): string | undefined {
  return JSON.stringify(value, (_, inner: unknown) =>
    isObject(inner) ? Object.fromEntries(Object.entries(inner).sort(([a], [b]) => (a < b ? -1 : 1))) : inner,
  );
}
