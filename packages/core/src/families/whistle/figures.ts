import { nearestAbove, nearestBelow, figureWith, type Figure } from '../figure.ts';
import type { WhistleWay } from './ways.ts';

/** Cuts by a finger that is lifted, strikes by one that falls, and rolls of both; all without half-holes. */
export function figures(
  _: unknown,
  way: WhistleWay,
  ways: readonly WhistleWay[],
): readonly Figure<WhistleWay>[] {
  const plain = ways.filter(
    ({ fingering, register }) => fingering.kind === 'plain' && register === way.register,
  );
  const cut = nearestAbove(plain, way.pitch, 5);
  const strike = nearestBelow(plain, way.pitch, 4);
  return [
    ...figureWith('cut', cut, ({ words }) => `cut, ${words}`),
    ...figureWith('strike', strike, ({ words }) => `strike, ${words}`),
    ...(cut && strike
      ? [{ id: 'roll', words: 'roll: cut, then strike', ways: [way, cut, way, strike] }]
      : []),
  ];
}
