import type { LayoutPreset } from '../layoutPart.ts';
import { FRETBOARD_IDS, FRETBOARDS, TUNING_IDS } from './tables.ts';
import { layoutOf, type DulcimerLayout } from './layout.ts';

export const presets: readonly LayoutPreset<DulcimerLayout>[] = Object.freeze([
  ...TUNING_IDS.map((tuning) => ({
    id: tuning.toLowerCase().replaceAll(' ', '-'),
    label: tuning,
    group: 'Tunings, bass to melody',
    layout: layoutOf(tuning),
  })),
  ...FRETBOARD_IDS.filter((id) => id !== 'usual').map((id) => ({
    id: `d-a-d-${id}`,
    label: FRETBOARDS[id].label,
    group: 'Other frets, in D3 A3 D4',
    layout: layoutOf('D3 A3 D4', id),
  })),
]);
