import { range } from '../kernel/options.ts';
import type { LayoutPreset } from '../layoutPart.ts';
import { HOMES, homeLabel, layoutOf, type ChromaticLayout } from './layout.ts';
import { SIZE_IDS, SIZES, type SizeId } from './tables.ts';

const C4 = 60;

function preset(home: number, size: SizeId, group: string): LayoutPreset<ChromaticLayout> {
  const label = `${homeLabel(home)}, ${SIZES[size].label}`;
  return { id: `${home}-${size}`, label, group, layout: layoutOf(home, size) };
}

/** C in all sizes, then the twelve-hole one in all keys. */
export const presets: readonly LayoutPreset<ChromaticLayout>[] = Object.freeze([
  ...['12', ...SIZE_IDS.filter((id) => id !== '12')].map((size) => preset(C4, size as SizeId, 'In C')),
  ...range(HOMES.lowestUsual, HOMES.highest)
    .filter((home) => home !== C4)
    .map((home) => preset(home, '12', 'Other keys')),
  ...range(HOMES.lowest, HOMES.lowestUsual - 1).map((home) => preset(home, '12', 'Low')),
]);
