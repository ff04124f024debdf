import { loader, type EffortPart, type Habit, type Loads, type PreferencePreset } from '../effortPart.ts';
import { hops, isWeak } from '../kernel/buttons.ts';
import type { Play } from '../way.ts';
import type { EnglishWay } from './ways.ts';

export const parts = Object.freeze([
  {
    id: 'hops',
    label: 'one finger on two buttons',
    tally: 'sum',
    about: 'The same finger straight from one button to another: the line breaks there.',
  },
  { id: 'same-hand', label: 'same hand again', tally: 'sum', about: 'Two notes in a row on one hand.' },
  {
    id: 'reach',
    label: 'reaching',
    tally: 'sum',
    about: 'Rows moved up or down within one hand, beyond the next.',
  },
  { id: 'outer', label: 'outer columns', tally: 'notes', about: 'Notes in columns 1 and 4.' },
  {
    id: 'weak',
    label: 'ring and little finger',
    tally: 'notes',
    about: 'Notes played by the weaker fingers.',
  },
] as const satisfies readonly EffortPart[]);

const loads = loader(parts);

export function wayLoads({ way, grip }: Play<EnglishWay>): Loads {
  return loads({ outer: way.column === 1 || way.column === 4 ? 1 : 0, weak: isWeak(grip) ? 1 : 0 });
}

export function stepLoads(from: Play<EnglishWay>, to: Play<EnglishWay>): Loads {
  const sameHand = from.way.hand === to.way.hand;
  const again = from.way.button === to.way.button;
  return loads({
    hops: hops(from, to) ? 1 : 0,
    'same-hand': sameHand && !again ? 1 : 0,
    reach: sameHand ? Math.max(0, Math.abs(from.way.row - to.way.row) - 1) : 0,
  });
}

export const habits: readonly Habit[] = Object.freeze([
  {
    id: 'fingers',
    label: 'Fingers',
    options: [
      { id: 'three', label: 'three: index 1–2, middle 2–3, ring 3–4' },
      { id: 'two', label: 'two: index 1–2, middle 3–4' },
      { id: 'four', label: 'four: the little finger helps in column 4' },
    ],
  },
]);

const EVEN = Object.freeze({ hops: 3, 'same-hand': 0.5, reach: 0.5, outer: 0.2, weak: 0.3 });

export const preferences: readonly PreferencePreset[] = Object.freeze([
  {
    id: 'three',
    label: 'three fingers',
    about: 'The trained hand: index, middle and ring share the columns.',
    weights: EVEN,
    avoid: [],
    habits: { fingers: 'three' },
  },
  {
    id: 'two',
    label: 'two fingers',
    about: 'For beginners: index and middle keep to their own columns.',
    weights: EVEN,
    avoid: [],
    habits: { fingers: 'two' },
  },
  {
    id: 'four',
    label: 'four fingers',
    about: 'The little finger leaves its rest for column 4.',
    weights: { ...EVEN, weak: 0.15 },
    avoid: [],
    habits: { fingers: 'four' },
  },
  {
    id: 'alternate',
    label: 'hands in turn',
    about: 'Left and right alternate wherever a twin button allows it.',
    weights: { ...EVEN, 'same-hand': 4, outer: 0 },
    avoid: [],
  },
]);
