import type { LayoutPreset } from '../layoutPart.ts';
import { layoutOf, type EnglishLayout } from './layout.ts';
import { SYSTEM_IDS, SYSTEMS } from './tables.ts';

export const presets: readonly LayoutPreset<EnglishLayout>[] = Object.freeze(
  SYSTEM_IDS.map((id) => ({ id, label: SYSTEMS[id].label, group: 'Systems', layout: layoutOf(id) })),
);
