import { figureWith, warble, type Figure } from '../figure.ts';
import type { ChromaticWay } from './ways.ts';

/** Turns of the slide on one breath, and shakes and warbles between neighbouring holes. */
export function figures(
  _: unknown,
  way: ChromaticWay,
  ways: readonly ChromaticWay[],
): readonly Figure<ChromaticWay>[] {
  const beside = (hole: number) =>
    ways.find(
      (other) =>
        other.hole === hole &&
        other.air === way.air &&
        other.technique === way.technique &&
        other.pitch !== way.pitch,
    );
  const slid = ways.find(
    ({ hole, air, technique }) => hole === way.hole && air === way.air && technique !== way.technique,
  );
  return [
    ...figureWith('slide', slid, ({ words }) => `turn of the slide, by ${words}`, [way]),
    ...figureWith('shake-up', beside(way.hole + 1), ({ words }) => `shake with ${words}`, [way]),
    ...figureWith('shake-down', beside(way.hole - 1), ({ words }) => `shake with ${words}`, [way]),
    ...warble('warble', beside(way.hole + 1)),
  ];
}
