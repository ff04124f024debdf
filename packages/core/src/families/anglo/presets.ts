import type { LayoutPreset } from '../layoutPart.ts';
import { layoutOf, type AngloLayout } from './layout.ts';
import { KEY_PAIRS, PLAN_IDS, PLANS } from './tables.ts';

export const presets: readonly LayoutPreset<AngloLayout>[] = Object.freeze(
  PLAN_IDS.flatMap((plan) =>
    KEY_PAIRS.map((key) => ({
      id: `${key.replaceAll('/', '-').replaceAll('♭', 'b')}-${plan}`,
      label: key,
      group: PLANS[plan].label,
      layout: layoutOf(key, plan),
    })),
  ),
);
