import type { LayoutPreset } from '../layoutPart.ts';
import { layoutOf, type DrumLayout } from './layout.ts';

/** Tunings as steps in semitones above a lowest pitch. Source: general music theory; sizes from 8 to 15 are common. */
const TUNINGS = Object.freeze([
  { id: 'c-major-8', label: 'C major, 8', lowest: 60, steps: [0, 2, 4, 5, 7, 9, 11, 12] },
  { id: 'd-minor-9', label: 'D natural minor, 9', lowest: 50, steps: [0, 7, 12, 14, 15, 17, 19, 20, 22] },
  {
    id: 'e-minor-five-11',
    label: 'E minor pentatonic, 11',
    lowest: 52,
    steps: [0, 3, 5, 7, 10, 12, 15, 17, 19, 22, 24],
  },
  { id: 'f-major-five-8', label: 'F major pentatonic, 8', lowest: 53, steps: [0, 2, 4, 7, 9, 12, 14, 16] },
  {
    id: 'a-minor-five-13',
    label: 'A minor pentatonic, 13',
    lowest: 45,
    steps: [0, 3, 5, 7, 10, 12, 15, 17, 19, 22, 24, 27, 29],
  },
  { id: 'g-mixolydian-10', label: 'G Mixolydian, 10', lowest: 55, steps: [0, 2, 4, 5, 7, 9, 10, 12, 14, 16] },
  {
    id: 'bb-major-15',
    label: 'B♭ major, 15',
    lowest: 58,
    steps: [0, 2, 4, 5, 7, 9, 11, 12, 14, 16, 17, 19, 21, 23, 24],
  },
]);

export const presets: readonly LayoutPreset<DrumLayout>[] = Object.freeze(
  TUNINGS.map(({ id, label, lowest, steps }) => ({
    id,
    label,
    group: 'Tunings',
    layout: layoutOf(steps.map((step) => lowest + step)),
  })),
);
