/** The keys of an object that has no others. */
export function keysOf<T extends object>(object: T): readonly (keyof T & string)[] {
  return Object.keys(object) as (keyof T & string)[];
}

/** An object with a value for each of some keys. */
export function byKey<Key extends string | number, Value>(
  keys: readonly Key[],
  valueOf: (key: Key) => Value,
): Record<Key, Value> {
  return Object.fromEntries(keys.map((key) => [key, valueOf(key)])) as Record<Key, Value>;
}

/** What was thrown, as an error. */
export function asError(thrown: unknown): Error {
  return thrown instanceof Error ? thrown : new Error(String(thrown));
}
