import { useSyncExternalStore } from 'react';

interface Options {
  /** Where the values are kept: for this browser, or as long as the tab is open. */
  readonly where?: 'browser' | 'tab';
  /** They belong to the device and not to the data that the server has: they are the same for the demo and one's own. */
  readonly ofDevice?: boolean;
}

/** A value as it was last read. */
interface Read<T> {
  readonly text: string;
  readonly value: T | undefined;
}

/**
 * Values that the browser keeps, by name, as JSON. A value that is damaged, or no such value, reads as undefined and hides
 * no other; where the browser keeps nothing, values are there as long as the page is. The demo's are kept apart from one's
 * own. Other tabs hear of changes.
 */
export class StoredValues<T> {
  readonly #prefix: string;
  readonly #where: 'browser' | 'tab';
  readonly #check: (value: unknown) => T | undefined;
  readonly #listeners = new Set<() => void>();
  /** What the browser did not take. */
  readonly #held = new Map<string, T>();
  /** So that the same text is the same value. */
  readonly #read = new Map<string, Read<T>>();
  #entries: readonly (readonly [string, T])[] = [];

  /** @param check gives the value out of what was read, or undefined for what is none */
  constructor(
    prefix: string,
    check: (value: unknown) => T | undefined,
    { where = 'browser', ofDevice = false }: Options = {},
  ) {
    this.#prefix = `same-song.${ofDevice ? '' : dataSet()}${prefix}`;
    this.#where = where;
    this.#check = check;
    window.addEventListener('storage', ({ key }) => {
      if (key === null || key.startsWith(this.#prefix)) this.#changed();
    });
  }

  get(name = ''): T | undefined {
    const held = this.#held.get(name);
    if (held !== undefined) return held;
    const text = this.#try((storage) => storage.getItem(this.#prefix + name)) ?? null;
    if (text === null) return undefined;
    const known = this.#read.get(name);
    if (known?.text === text) return known.value;
    const value = this.#valueIn(text);
    this.#read.set(name, { text, value });
    return value;
  }

  /** @param value undefined to keep none */
  set(value: T | undefined, name = ''): void {
    const key = this.#prefix + name;
    this.#held.delete(name);
    const isDone = this.#try((storage) => {
      if (value === undefined) storage.removeItem(key);
      else storage.setItem(key, JSON.stringify(value));
      return true;
    });
    if (!isDone && value !== undefined) this.#held.set(name, value);
    this.#changed();
  }

  /** All values with their names, the same list until one changes. */
  entries(): readonly (readonly [name: string, value: T])[] {
    const now = this.#names().flatMap((name) => {
      const value = this.get(name);
      return value === undefined ? [] : [[name, value] as const];
    });
    const isSame =
      now.length === this.#entries.length &&
      now.every(([name, value], i) => name === this.#entries[i]![0] && value === this.#entries[i]![1]);
    if (!isSame) this.#entries = now;
    return this.#entries;
  }

  /** Told of every change, also in other tabs. @returns what ends it */
  readonly subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };

  #names(): readonly string[] {
    const keys = this.#try((storage) => Object.keys(storage)) ?? [];
    const stored = keys
      .filter((key) => key.startsWith(this.#prefix))
      .map((key) => key.slice(this.#prefix.length));
    return [...new Set([...stored, ...this.#held.keys()])];
  }

  #valueIn(text: string): T | undefined {
    try {
      return this.#check(JSON.parse(text));
    } catch {
      return undefined;
    }
  }

  /** @returns undefined where the browser does not let the page */
  #try<R>(act: (storage: Storage) => R): R | undefined {
    try {
      return act(this.#where === 'tab' ? sessionStorage : localStorage);
    } catch {
      return undefined;
    }
  }

  #changed(): void {
    this.#listeners.forEach((listener) => listener());
  }
}

/** One of the values, as it stands. */
export function useStored<T>(values: StoredValues<T>, name = ''): T | undefined {
  return useSyncExternalStore(values.subscribe, () => values.get(name));
}

/** Whose data the server has: the page that it sends says so. */
function dataSet(): string {
  const content = document.querySelector<HTMLMetaElement>('meta[name="data-set"]')?.content;
  return content === 'demo' ? 'demo.' : '';
}
