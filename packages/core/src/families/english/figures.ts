import type { Key } from '../../scale/scale.ts';
import { buttonFigures, waysInKey, type Figure } from '../figure.ts';
import { fingeringsFor, type EnglishWay } from './ways.ts';

/** Cuts with a free finger and runs. */
export function figures(
  _: unknown,
  way: EnglishWay,
  ways: readonly EnglishWay[],
  key: Key,
): readonly Figure<EnglishWay>[] {
  const beside = waysInKey(ways, key).filter((other) => other.button !== way.button);
  const fingers = (one: EnglishWay) => fingeringsFor(one, {});
  return buttonFigures(way, beside, (other) => {
    return fingers(other).some((finger) => fingers(way).some((own) => own !== finger));
  });
}
