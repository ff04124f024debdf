import type { Spelling } from '../kernel/readLoosely.ts';
import type { TabWriter } from '../contract.ts';
import type { AngloWay } from './ways.ts';

/** Hand, row (o m i), number as the player counts, and the bellows. */
export const dialects: readonly TabWriter<AngloWay>[] = Object.freeze([
  {
    id: 'words',
    label: 'words: left middle 3 push',
    separator: ', ',
    write: (way) => way.words,
  },
  {
    id: 'short',
    label: 'short: L m3 push',
    separator: ', ',
    write: (way) => `${way.hand} ${buttonOf(way)} ${way.air === 'out' ? 'push' : 'pull'}`,
  },
  {
    id: 'arrows',
    label: 'arrows: Lm3↑',
    separator: '  ',
    write: (way) => `${brief(way)}${way.air === 'out' ? '↑' : '↓'}`,
  },
  {
    id: 'signs',
    label: 'signs: +Lm3 −Lm3',
    separator: '  ',
    write: (way) => `${way.air === 'out' ? '+' : '−'}${brief(way)}`,
  },
]);

/** Hand and button joined, and the bellows as a sign behind. */
export const spellings: readonly Spelling[] = Object.freeze([
  [/^([lr])\s*([omi]\d+)\s*(push|pull)$/, '$1 $2 $3'],
  [/^([lr])\s*([omi]\d+)\s*\+$/, '+$1$2'],
  [/^([lr])\s*([omi]\d+)\s*[-−–]$/, '-$1$2'],
]);

export function brief(way: AngloWay): string {
  return `${way.hand}${buttonOf(way)}`;
}

function buttonOf({ row, number }: AngloWay): string {
  return `${row[0]}${number}`;
}
