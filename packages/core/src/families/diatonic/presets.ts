import { pitchClass, type PitchClass } from '../../pitch/pitch.ts';
import { range } from '../kernel/options.ts';
import type { LayoutPreset } from '../layoutPart.ts';
import { keyLabel, layoutOf, ROOTS, type DiatonicLayout } from './layout.ts';

function groupOf(root: number): string {
  if (root < ROOTS.lowestUsual) return 'Low';
  return root > ROOTS.highestUsual ? 'High' : 'Usual keys';
}

/** Keys in the order of the groups, each from low to high. */
const ROOTS_SHOWN: readonly number[] = [
  ...range(ROOTS.lowestUsual, ROOTS.highestUsual),
  ...range(ROOTS.lowest, ROOTS.lowestUsual - 1),
  ...range(ROOTS.highestUsual + 1, ROOTS.highest),
];

/** Twelve usual keys, twelve low ones, six high ones, in standard tuning. */
export const presets: readonly LayoutPreset<DiatonicLayout>[] = Object.freeze(
  ROOTS_SHOWN.map((root) => ({
    id: String(root),
    label: keyLabel(root),
    group: groupOf(root),
    layout: layoutOf(root, 'richter'),
  })),
);

/** The usual harmonica in a key. @param home pitch class */
export function presetIn(home: PitchClass): string {
  return String(ROOTS.lowestUsual + pitchClass(home - ROOTS.lowestUsual));
}
