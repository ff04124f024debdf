import type { Key } from '../../scale/scale.ts';
import { buttonFigures, waysInKey, type Figure } from '../figure.ts';
import { fingeringsFor, type AngloWay } from './ways.ts';

/** Cuts with a free finger and runs, in the same direction of the bellows. */
export function figures(
  _: unknown,
  way: AngloWay,
  ways: readonly AngloWay[],
  key: Key,
): readonly Figure<AngloWay>[] {
  const beside = waysInKey(ways, key).filter((other) => other.button !== way.button && other.air === way.air);
  const fingers = (one: AngloWay) => fingeringsFor(one, false);
  return buttonFigures(way, beside, (other) => {
    return fingers(other).some((finger) => fingers(way).some((own) => own !== finger));
  });
}
