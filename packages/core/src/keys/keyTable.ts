import type { Instrument } from '../instrument/instrument.ts';
import type { Preferences } from '../route/preferences.ts';
import { keyOf, usualTonic, type Scale } from '../scale/scale.ts';
import { contextsFor, keyCell, type KeyCell } from './keyCell.ts';

/** One instrument in every key: rows are the twelve keys by pitch class, columns the scales asked for. */
export interface KeyTable {
  readonly scales: readonly string[];
  /** Twelve rows, C first, each as long as the scales. */
  readonly rows: readonly (readonly KeyCell[])[];
}

/** Works the whole table out; a tenth of a second for twelve keys of forty scales. */
export function keyTable(
  instrument: Instrument,
  scales: readonly Scale[],
  preferences: Preferences,
): KeyTable {
  const contextFor = contextsFor(preferences, { isRough: true });
  const rows = Array.from({ length: 12 }, (_, pc) =>
    scales.map((scale) => keyCell(instrument, keyOf(scale, usualTonic(scale, pc)), contextFor)),
  );
  return { scales: scales.map((scale) => scale.id), rows };
}
