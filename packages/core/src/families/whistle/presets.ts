import type { LayoutPreset } from '../layoutPart.ts';
import { layoutOf, whistleName, type WhistleLayout } from './layout.ts';

/** D first, as the usual whistle; then downwards, then the low ones. Lowest notes as pitches. */
const USUAL = [74, 72, 70, 69, 68, 67, 73, 71, 75, 76, 77, 78, 79];
const LOW = [62, 60, 65, 64, 63, 58, 57, 55];

export const presets: readonly LayoutPreset<WhistleLayout>[] = Object.freeze([
  ...USUAL.map((lowest) => preset(lowest, 'Usual')),
  ...LOW.map((lowest) => preset(lowest, 'Low')),
]);

/** High ones are most often conical, low ones cylindrical tube. */
function preset(lowest: number, group: string): LayoutPreset<WhistleLayout> {
  const bore = group === 'Low' ? 'cylindrical' : 'conical';
  const label = whistleName(lowest).replace(' whistle', '');
  return { id: String(lowest), label, group, layout: layoutOf(lowest, bore) };
}
