import type { StoredQuestion } from '@same-song/core/route';

/** One scale in one key on one instrument of a hand-out. */
export interface HandoutEntry {
  readonly scale: string;
  readonly tonic: string;
  /** The instrument, as a link names it. */
  readonly ref: string;
}

/** Most entries of a hand-out: more is a book. */
export const HANDOUT_LIMIT = 48;

const BETWEEN = ',';
const WITHIN = '@';

/** Reads the entries that a link holds, those that are none left out. */
export function readHandout(text: string): readonly HandoutEntry[] {
  return text
    .split(BETWEEN)
    .map((entry) => entry.split(WITHIN))
    .filter((parts) => parts.length === 3 && parts.every((part) => part !== ''))
    .slice(0, HANDOUT_LIMIT)
    .map(([scale, tonic, ref]) => ({ scale: scale!, tonic: tonic!, ref: ref! }));
}

/** Entries as a link holds them: `major@Bb@id,blues-six@F@id`. */
export function writeHandout(entries: readonly HandoutEntry[]): string {
  return entries.map(({ scale, tonic, ref }) => [scale, tonic, ref].join(WITHIN)).join(BETWEEN);
}

function isSame(a: HandoutEntry, b: HandoutEntry): boolean {
  return a.scale === b.scale && a.tonic === b.tonic && a.ref === b.ref;
}

/** Entries put behind those that are there; none stands twice. */
export function withEntries(text: string, more: readonly HandoutEntry[]): string {
  const all = [...readHandout(text)];
  for (const entry of more) if (!all.some((other) => isSame(other, entry))) all.push(entry);
  return writeHandout(all.slice(0, HANDOUT_LIMIT));
}

export function withoutEntry(text: string, at: number): string {
  return writeHandout(readHandout(text).filter((_, i) => i !== at));
}

/** An entry moved by so many places, as far as there are any. */
export function movedEntry(text: string, at: number, by: number): string {
  const entries = [...readHandout(text)];
  const to = Math.max(0, Math.min(entries.length - 1, at + by));
  const [entry] = entries.splice(at, 1);
  if (entry) entries.splice(to, 0, entry);
  return writeHandout(entries);
}

/** Where a new page begins on paper. */
export const BREAKS = [
  { id: '', label: 'a new page for each scale' },
  { id: 'each', label: 'a new page for each entry' },
  { id: 'none', label: 'as many on a page as fit' },
] as const;

export function beginsPage(breaks: string, entries: readonly HandoutEntry[], at: number): boolean {
  if (at === 0 || breaks === 'none') return false;
  return breaks === 'each' || entries[at]!.scale !== entries[at - 1]!.scale;
}

/** The octaves that are asked above, as far as they mean the same in every key: a number of them, and how high. */
export function rangeForAll({ range }: Pick<StoredQuestion, 'range'>): StoredQuestion['range'] {
  const isForAll = range.kind === 'whole' || (range.kind === 'octaves' && typeof range.from === 'string');
  return isForAll ? range : { kind: 'octaves', octaves: 1, from: 'best' };
}
