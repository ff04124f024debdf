import { noteText, USUAL_KEYS } from '@same-song/core/music';
import type { LogEntry } from '@same-song/core/practice';
import { csvText } from '@same-song/formats';

const COLUMNS = ['begun', 'name', 'minutes', 'tempo', 'rounds', 'clean', 'keys', 'note'] as const;

/** A log as a table, a line an entry. */
export function logCsv(entries: readonly LogEntry[]): string {
  const rows = entries.map(({ at, name, minutes, tempo, rounds, clean, keys, note }) => {
    const inKeys = keys.map((key) => noteText(USUAL_KEYS[key]!)).join(' ');
    return [at, name, minutes, tempo, rounds, clean, inKeys, note];
  });
  return csvText([COLUMNS, ...rows]);
}
