import { pitchText } from '../../pitch/noteName.ts';
import type { TabWriter } from '../contract.ts';
import type { EnglishWay } from './ways.ts';

export const dialects: readonly TabWriter<EnglishWay>[] = Object.freeze([
  { id: 'buttons', label: 'hand, column and button: L2.3', separator: '  ', write: (way) => way.id },
  {
    id: 'notes',
    label: 'hand and note: L D5',
    separator: ', ',
    // The button is added, since a layout may hold a note twice on a hand.
    write: (way, note) => `${way.hand} ${pitchText(way.pitch, note)} (${brief(way)})`,
  },
  { id: 'words', label: 'words: left, column 2, button 3', separator: ' · ', write: (way) => way.words },
]);

export function brief({ column, row }: EnglishWay): string {
  return `${column}.${row}`;
}
