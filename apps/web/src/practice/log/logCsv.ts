import { noteText, USUAL_KEYS } from '@same-song/core/music';
import type { LogEntry } from '@same-song/core/practice';

const COLUMNS = ['begun', 'name', 'minutes', 'tempo', 'rounds', 'clean', 'keys', 'note'] as const;

/** A log as a table: a line an entry, apart by commas; what a spreadsheet would take for a formula is quoted as text. */
export function logCsv(entries: readonly LogEntry[]): string {
  const lines = entries.map(({ at, name, minutes, tempo, rounds, clean, keys, note }) =>
    [at, name, minutes, tempo, rounds, clean, keys.map((key) => noteText(USUAL_KEYS[key]!)).join(' '), note]
      .map(cell)
      .join(','),
  );
  return [COLUMNS.join(','), ...lines].join('\r\n') + '\r\n';
}

function cell(value: string | number): string {
  const text = typeof value === 'string' && /^[=+\-@\t]/.test(value) ? `'${value}` : String(value);
  return /[",\r\n]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text;
}
