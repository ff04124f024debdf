import type { TabDialect } from '../contract.ts';
import type { HarpWay } from './ways.ts';

export const dialects = Object.freeze([
  { id: 'notes', label: 'strings by note: C4 F♯4', separator: '  ' },
  { id: 'numbers', label: 'strings by number: 15 18↑', separator: '  ' },
  { id: 'words', label: 'words: F4 string, lever up', separator: ' · ' },
] as const satisfies readonly TabDialect[]);

/** L and R name the row of a double-strung harp; ↑ a raised lever. @throws on an unknown dialect */
export function tab(way: HarpWay, dialect: string): string {
  const row = way.row ? `${way.row} ` : '';
  switch (dialect) {
    case 'notes':
      return row + way.name;
    case 'numbers':
      return `${row}${way.string + 1}${way.lever === 'up' ? '↑' : ''}`;
    case 'words':
      return way.words;
    default:
      throw new Error(`tab: no dialect ${dialect}`);
  }
}

export function brief({ name }: HarpWay): string {
  return name;
}
