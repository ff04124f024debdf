import { figureWith, touched, type Figure } from '../figure.ts';
import type { HarpWay } from './ways.ts';

/** A grace note by a free finger from a string beside it, and a glissando up to it; levers stay as they are. */
export function figures(_: unknown, way: HarpWay, ways: readonly HarpWay[]): readonly Figure<HarpWay>[] {
  const set = (string: number) =>
    ways.find((other) => other.string === string && other.technique === 'set' && other.row === way.row);
  const run = [3, 2, 1].flatMap((steps) => set(way.string - steps) ?? []);
  return [
    ...figureWith('above', set(way.string + 1), ({ words }) => `grace from ${words}`),
    ...figureWith('below', set(way.string - 1), ({ words }) => `grace from ${words}`),
    ...(run.length === 3
      ? [{ id: 'glissando', words: `glissando from ${run[0]!.words}`, before: run.map(touched) }]
      : []),
  ];
}
