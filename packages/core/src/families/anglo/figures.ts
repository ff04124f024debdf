import { nearestAbove, figureWith, type Figure } from '../figure.ts';
import type { AngloWay } from './ways.ts';

/** Cuts by another button of the hand in the same direction of the bellows, and triplets with it. */
export function figures(_: unknown, way: AngloWay, ways: readonly AngloWay[]): readonly Figure<AngloWay>[] {
  const near = ways.filter(
    (other) => other.hand === way.hand && other.button !== way.button && other.air === way.air,
  );
  const cut = nearestAbove(near, way.pitch, 5);
  return [
    ...figureWith('cut', cut, ({ words }) => `cut with ${words}`),
    ...figureWith('triplet', cut, ({ words }) => `triplet with ${words}`, [way]),
  ];
}
