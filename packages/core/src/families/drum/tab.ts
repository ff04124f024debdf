import { flatName, noteText } from '../../pitch/noteName.ts';
import { octaveOf } from '../../pitch/pitch.ts';
import type { TabDialect } from '../contract.ts';
import type { SpotWay } from '../kernel/fixedPitches.ts';

export const dialects = Object.freeze([
  { id: 'numbers', label: 'numbers: 1 4 7', separator: '  ' },
  { id: 'notes', label: 'number and note: 4 (F4)', separator: '  ' },
  { id: 'words', label: 'words: tongue 4', separator: ', ' },
] as const satisfies readonly TabDialect[]);

/** @throws on an unknown dialect */
export function tab(way: SpotWay, dialect: string): string {
  switch (dialect) {
    case 'numbers':
      return String(way.number);
    case 'notes':
      return `${way.number} (${noteText(flatName(way.pitch))}${octaveOf(way.pitch)})`;
    case 'words':
      return way.words;
    default:
      throw new Error(`tab: no dialect ${dialect}`);
  }
}
