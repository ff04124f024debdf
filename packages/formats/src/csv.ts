import { csvFormatRow } from 'd3-dsv';

/**
 * A table for a spreadsheet: comma-separated, lines ended by CR LF. What a spreadsheet would take for a formula is marked
 * as text.
 */
export function csvText(rows: readonly (readonly (string | number)[])[]): string {
  return rows.map((row) => `${csvFormatRow(row.map(safe))}\r\n`).join('');
}

function safe(value: string | number): string {
  return typeof value === 'string' && /^[=+\-@\t]/.test(value) ? `'${value}` : String(value);
}
