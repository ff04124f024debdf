import type { Key } from '../../scale/scale.ts';
import { type Figure, figureWith, nearestAbove, nearestBelow, waysInKey } from '../figure.ts';
import type { DulcimerWay } from './ways.ts';

/** Hammer-ons, pull-offs and slides along the string, within a hand and the key. */
export function figures(
  _: unknown,
  way: DulcimerWay,
  ways: readonly DulcimerWay[],
  key: Key,
): readonly Figure<DulcimerWay>[] {
  const string = waysInKey(ways, key).filter(({ technique }) => technique === way.technique);
  const below = nearestBelow(string, way.pitch, 4);
  const above = nearestAbove(string, way.pitch, 4);
  const isOpen = ({ semitones }: DulcimerWay) => semitones === 0;
  return [
    ...figureWith('hammer', below, ({ words }) => `hammer on from ${words}`),
    ...figureWith('pull', above, ({ words }) => `pull off from ${words}`),
    ...(below && isOpen(below) ? [] : figureWith('slide', below, ({ words }) => `slide up from ${words}`)),
  ];
}
