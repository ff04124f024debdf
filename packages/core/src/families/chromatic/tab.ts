import { holesWriter } from '../kernel/holes.ts';
import type { Spelling } from '../kernel/readLoosely.ts';
import type { TabWriter } from '../contract.ts';
import type { ChromaticWay } from './ways.ts';

/** ▸ stands for the slide pushed in. */
export const SLIDE_MARK = '▸';

export const dialects: readonly TabWriter<ChromaticWay>[] = Object.freeze([
  {
    id: 'words',
    label: 'words: 4 draw, 4 draw slide',
    separator: ', ',
    writeChord: holesWriter('words', 'open'),
    write: ({ hole, air, technique }) =>
      `${hole} ${air === 'out' ? 'blow' : 'draw'}${technique === 'slide' ? ' slide' : ''}`,
  },
  {
    id: 'arrows',
    label: 'arrows: 4↓ 4↓▸',
    separator: '  ',
    writeChord: holesWriter('arrows', 'open'),
    write: (way) => `${way.hole}${way.air === 'out' ? '↑' : '↓'}${slideMark(way)}`,
  },
  {
    id: 'signs',
    label: 'signs: −4 −4▸',
    separator: '  ',
    writeChord: holesWriter('signs', 'open'),
    write: (way) => `${way.air === 'out' ? '+' : '−'}${way.hole}${slideMark(way)}`,
  },
  {
    id: 'letters',
    label: 'letters: 4d 4d▸',
    separator: '  ',
    writeChord: holesWriter('letters', 'open'),
    write: (way) => `${way.hole}${way.air === 'out' ? 'b' : 'd'}${slideMark(way)}`,
  },
]);

/** The slide as + or * behind or < before, and in words; without a sign a note is blown. */
export const spellings: readonly Spelling[] = Object.freeze([
  [/^(\d+[bd↑↓])[+*]$/, '$1▸'],
  [/^<(\d+)$/, '+$1▸'],
  [/^(?:[-−–]<|<[-−–])(\d+)$/, '-$1▸'],
  [/^(\d+)\*$/, '+$1▸'],
  [/^([-−–+]\d+)\*$/, '$1▸'],
  [/^(.*) slide in$/, '$1 slide'],
]);

export function brief(way: ChromaticWay): string {
  return `${way.hole}${slideMark(way)}`;
}

function slideMark({ technique }: ChromaticWay): string {
  return technique === 'slide' ? SLIDE_MARK : '';
}
