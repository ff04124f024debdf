import type { TabDialect } from '../contract.ts';
import type { WhistleWay } from './ways.ts';

export const dialects = Object.freeze([
  { id: 'circles', label: 'circles: ●●●○○○', separator: '  ' },
  { id: 'letters', label: 'letters: xxx ooo', separator: ', ' },
  { id: 'holes', label: 'holes covered: 123', separator: ', ' },
] as const satisfies readonly TabDialect[]);
type DialectId = (typeof dialects)[number]['id'];

const CIRCLES: Readonly<Record<string, string>> = Object.freeze({ x: '●', h: '◐', o: '○' });
const MARKS = Object.freeze({ low: '', upper: '+', high: '++' });

const WRITE: Readonly<Record<DialectId, (pattern: string) => string>> = Object.freeze({
  circles: (pattern) => [...pattern].map((mark) => CIRCLES[mark]).join(''),
  letters: (pattern) => `${pattern.slice(0, 3)} ${pattern.slice(3)}`,
  holes: (pattern) =>
    [...pattern].map((mark, i) => (mark === 'x' ? i + 1 : mark === 'h' ? `(${i + 1})` : '')).join('') || '0',
});

/** + marks the upper register, ++ the strained one. @throws on an unknown dialect */
export function tab({ fingering, register }: WhistleWay, dialect: string): string {
  const write = WRITE[dialect as DialectId];
  if (!write) throw new Error(`tab: no dialect ${dialect}`);
  return write(fingering.pattern) + MARKS[register];
}

/** The two hands one above the other: `●●●` over `●○○`. */
export function brief(way: WhistleWay): string {
  const circles = WRITE.circles(way.fingering.pattern);
  return `${circles.slice(0, 3)}\n${circles.slice(3)}${way.register === 'high' ? '+' : ''}`;
}
