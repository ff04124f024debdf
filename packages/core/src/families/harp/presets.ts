import type { LayoutPreset } from '../layoutPart.ts';
import { layoutOf, type HarpLayout } from './layout.ts';
import { BASE_IDS, BASES, type BaseId } from './tables.ts';

/** Sizes as they are built: number of strings and the lowest one. */
const SIZES = Object.freeze([
  { count: 34, lowest: 'C2', double: false },
  { count: 36, lowest: 'C2', double: false },
  { count: 30, lowest: 'C3', double: false },
  { count: 26, lowest: 'G2', double: false },
  { count: 22, lowest: 'C3', double: false },
  { count: 23, lowest: 'G3', double: true },
]);

function preset(base: BaseId, { count, lowest, double }: (typeof SIZES)[number]): LayoutPreset<HarpLayout> {
  return {
    id: `${base.toLowerCase()}-${count}${double ? '-double' : ''}`,
    label: double ? `twice ${count} strings from ${lowest}` : `${count} strings from ${lowest}`,
    group: `Levers down: ${BASES[base].label}`,
    layout: layoutOf(base, lowest, count, double),
  };
}

export const presets: readonly LayoutPreset<HarpLayout>[] = Object.freeze(
  (['Eb', ...BASE_IDS.filter((id) => id !== 'Eb')] as const).flatMap((base) =>
    SIZES.map((size) => preset(base, size)),
  ),
);
