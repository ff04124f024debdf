import { nearestAbove, figureWith, type Figure } from '../figure.ts';
import type { EnglishWay } from './ways.ts';

/** Cuts by another button of the hand, and triplets with it. */
export function figures(
  _: unknown,
  way: EnglishWay,
  ways: readonly EnglishWay[],
): readonly Figure<EnglishWay>[] {
  const near = ways.filter((other) => other.hand === way.hand && other.button !== way.button);
  const cut = nearestAbove(near, way.pitch, 5);
  return [
    ...figureWith('cut', cut, ({ words }) => `cut with ${words}`),
    ...figureWith('triplet', cut, ({ words }) => `triplet with ${words}`, [way]),
  ];
}
