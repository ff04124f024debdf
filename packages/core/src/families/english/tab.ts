import { pitchText, type NoteName } from '../../pitch/noteName.ts';
import type { TabDialect } from '../contract.ts';
import type { EnglishWay } from './ways.ts';

export const dialects = Object.freeze([
  { id: 'buttons', label: 'hand, column and button: L2.3', separator: '  ' },
  { id: 'notes', label: 'hand and note: L D5', separator: ', ' },
  { id: 'words', label: 'words: left, column 2, button 3', separator: ' · ' },
] as const satisfies readonly TabDialect[]);

/** A hand and a note name one button only when the button is added, since a layout may hold a note twice on a hand. @param called the name of its note */
export function tab(way: EnglishWay, dialect: string, called: NoteName): string {
  switch (dialect) {
    case 'buttons':
      return way.id;
    case 'notes':
      return `${way.hand} ${pitchText(way.pitch, called)} (${way.column}.${way.row})`;
    case 'words':
      return way.words;
    default:
      throw new Error(`tab: no dialect ${dialect}`);
  }
}

export function brief({ column, row }: EnglishWay): string {
  return `${column}.${row}`;
}
