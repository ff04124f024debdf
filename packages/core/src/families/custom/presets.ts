import type { LayoutPreset } from '../layoutPart.ts';
import type { CustomLayout, NamedSpot } from './layout.ts';

function inRow(pitches: readonly number[], y: number, from = 12, step = 17): NamedSpot[] {
  return pitches.map((pitch, i) => ({ name: '', pitch, cents: 0, x: from + i * step, y }));
}

function named(what: string, spots: readonly NamedSpot[]): CustomLayout {
  return { what, spots: spots.map((spot, i) => ({ ...spot, name: String(i + 1) })) };
}

const C_MAJOR = [60, 62, 64, 65, 67, 69, 71, 72];

/** Naturals in the front row, the others behind and between them, as bars are commonly laid. */
const BARS = [
  ...inRow([61, 63], 32, 29, 24),
  ...inRow([66, 68, 70], 32, 95, 24),
  ...inRow(C_MAJOR, 74, 17, 24),
];

export const presets: readonly LayoutPreset<CustomLayout>[] = Object.freeze([
  {
    id: 'bells-8',
    label: '8 bells, C major',
    group: 'Begin with',
    layout: named('row of bells', inRow(C_MAJOR, 55, 30, 27)),
  },
  { id: 'bars-13', label: '13 bars, two rows', group: 'Begin with', layout: named('two rows of bars', BARS) },
  {
    id: 'glasses-5',
    label: '5 glasses, G major pentatonic',
    group: 'Begin with',
    layout: named('row of glasses', inRow([67, 69, 71, 74, 76], 55, 60, 33)),
  },
  {
    id: 'one',
    label: 'one pitch, to begin from',
    group: 'Begin with',
    layout: named('set of pitches', inRow([60], 55, 125)),
  },
]);
