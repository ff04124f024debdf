import type { TabDialect } from '../contract.ts';
import type { AngloWay } from './ways.ts';

export const dialects = Object.freeze([
  { id: 'words', label: 'words: left middle 3 push', separator: ', ' },
  { id: 'short', label: 'short: L m3 push', separator: ', ' },
  { id: 'arrows', label: 'arrows: Lm3↑', separator: '  ' },
  { id: 'signs', label: 'signs: +Lm3 −Lm3', separator: '  ' },
] as const satisfies readonly TabDialect[]);

/** Hand, row (o m i), number as the player counts, and the bellows. @throws on an unknown dialect */
export function tab(way: AngloWay, dialect: string): string {
  const button = `${way.row[0]}${way.number}`;
  switch (dialect) {
    case 'words':
      return way.words;
    case 'short':
      return `${way.hand} ${button} ${way.air === 'out' ? 'push' : 'pull'}`;
    case 'arrows':
      return `${way.hand}${button}${way.air === 'out' ? '↑' : '↓'}`;
    case 'signs':
      return `${way.air === 'out' ? '+' : '−'}${way.hand}${button}`;
    default:
      throw new Error(`tab: no dialect ${dialect}`);
  }
}

export function brief({ hand, row, number }: AngloWay): string {
  return `${hand}${row[0]}${number}`;
}
