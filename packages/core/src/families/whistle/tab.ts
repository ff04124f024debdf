import type { Spelling } from '../kernel/readLoosely.ts';
import type { TabWriter } from '../contract.ts';
import type { WhistleWay } from './ways.ts';

const CIRCLES: Readonly<Record<string, string>> = Object.freeze({ x: '●', h: '◐', o: '○' });
const MARKS = Object.freeze({ low: '', upper: '+', high: '++' });

/** + marks the upper register, ++ the strained one. */
export const dialects: readonly TabWriter<WhistleWay>[] = Object.freeze([
  {
    id: 'circles',
    label: 'circles: ●●●○○○',
    separator: '  ',
    write: (way) => circlesOf(way) + MARKS[way.register],
  },
  {
    id: 'letters',
    label: 'letters: xxx ooo',
    separator: ', ',
    write: ({ fingering: { pattern }, register }) =>
      `${pattern.slice(0, 3)} ${pattern.slice(3)}${MARKS[register]}`,
  },
  {
    id: 'holes',
    label: 'holes covered: 123',
    separator: ', ',
    write: ({ fingering: { pattern }, register }) => (holesOf(pattern) || '0') + MARKS[register],
  },
]);

function circlesOf({ fingering }: WhistleWay): string {
  return [...fingering.pattern].map((mark) => CIRCLES[mark]).join('');
}

/** Numbers of the holes that are covered, in brackets those that are half. */
function holesOf(pattern: string): string {
  return [...pattern].map((mark, i) => (mark === 'x' ? i + 1 : mark === 'h' ? `(${i + 1})` : '')).join('');
}

/** Six letters without a space. */
export const spellings: readonly Spelling[] = Object.freeze([[/^([xho]{3})([xho]{3})(\+*)$/, '$1 $2$3']]);

/** The two hands one above the other: `●●●` over `●○○`. */
export function brief(way: WhistleWay): string {
  const circles = circlesOf(way);
  return `${circles.slice(0, 3)}\n${circles.slice(3)}${way.register === 'high' ? '+' : ''}`;
}
