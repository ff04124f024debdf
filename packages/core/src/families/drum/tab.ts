import { pitchText, type NoteName } from '../../pitch/noteName.ts';
import type { TabDialect } from '../contract.ts';
import type { SpotWay } from '../kernel/fixedPitches.ts';

export const dialects = Object.freeze([
  { id: 'numbers', label: 'numbers: 1 4 7', separator: '  ' },
  { id: 'notes', label: 'number and note: 4 (F4)', separator: '  ' },
  { id: 'words', label: 'words: tongue 4', separator: ', ' },
] as const satisfies readonly TabDialect[]);

/** @param called the name of its note @throws on an unknown dialect */
export function tab(way: SpotWay, dialect: string, called: NoteName): string {
  switch (dialect) {
    case 'numbers':
      return String(way.number);
    case 'notes':
      return `${way.number} (${pitchText(way.pitch, called)})`;
    case 'words':
      return way.words;
    default:
      throw new Error(`tab: no dialect ${dialect}`);
  }
}
