import type { TabDialect } from '../contract.ts';
import type { ChromaticWay } from './ways.ts';

/** ▸ stands for the slide pushed in. */
export const SLIDE_MARK = '▸';

export const dialects = Object.freeze([
  { id: 'words', label: 'words: 4 draw, 4 draw slide', separator: ', ' },
  { id: 'arrows', label: 'arrows: 4↓ 4↓▸', separator: '  ' },
  { id: 'signs', label: 'signs: −4 −4▸', separator: '  ' },
  { id: 'letters', label: 'letters: 4d 4d▸', separator: '  ' },
] as const satisfies readonly TabDialect[]);
type DialectId = (typeof dialects)[number]['id'];

const WRITE: Readonly<Record<DialectId, (way: ChromaticWay) => string>> = Object.freeze({
  words: ({ hole, air, technique }) =>
    `${hole} ${air === 'out' ? 'blow' : 'draw'}${technique === 'slide' ? ' slide' : ''}`,
  arrows: (way) => `${way.hole}${way.air === 'out' ? '↑' : '↓'}${slideMark(way)}`,
  signs: (way) => `${way.air === 'out' ? '+' : '−'}${way.hole}${slideMark(way)}`,
  letters: (way) => `${way.hole}${way.air === 'out' ? 'b' : 'd'}${slideMark(way)}`,
});

/** @throws on an unknown dialect */
export function tab(way: ChromaticWay, dialect: string): string {
  const write = WRITE[dialect as DialectId];
  if (!write) throw new Error(`tab: no dialect ${dialect}`);
  return write(way);
}

export function brief(way: ChromaticWay): string {
  return `${way.hole}${slideMark(way)}`;
}

function slideMark({ technique }: ChromaticWay): string {
  return technique === 'slide' ? SLIDE_MARK : '';
}
