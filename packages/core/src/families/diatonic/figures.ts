import { figureWith, warble, type Figure } from '../figure.ts';
import type { DiatonicWay } from './ways.ts';

/** Shakes and warbles between neighbouring holes in one breath, and dips: a bend let go into its own note. */
export function figures(
  _: unknown,
  way: DiatonicWay,
  ways: readonly DiatonicWay[],
): readonly Figure<DiatonicWay>[] {
  if (way.technique !== 'plain') return [];
  const plain = (hole: number) =>
    ways.find((other) => other.hole === hole && other.air === way.air && other.technique === 'plain');
  const bent = ways.find(
    (other) =>
      other.hole === way.hole && other.air === way.air && other.pitch === way.pitch - 1 && other.able,
  );
  return [
    ...figureWith('shake-up', plain(way.hole + 1), ({ words }) => `shake with ${words}`, [way]),
    ...figureWith('shake-down', plain(way.hole - 1), ({ words }) => `shake with ${words}`, [way]),
    ...warble('warble', plain(way.hole + 1)),
    ...figureWith('dip', bent, ({ words }) => `dip, begun as ${words}`),
  ];
}
