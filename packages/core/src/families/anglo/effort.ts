import { loader, type EffortPart, type Loads, type PreferencePreset } from '../effortPart.ts';
import { hops, isWeak } from '../kernel/buttons.ts';
import type { Play } from '../way.ts';
import type { AngloWay } from './ways.ts';

export const parts = Object.freeze([
  { id: 'turns', label: 'turns of the bellows', tally: 'sum', about: 'Changes between push and pull.' },
  { id: 'rows', label: 'row changes', tally: 'sum', about: 'Going from one row to another.' },
  {
    id: 'hops',
    label: 'one finger on two buttons',
    tally: 'sum',
    about: 'The same finger straight from one button to another.',
  },
  {
    id: 'weak',
    label: 'ring and little finger',
    tally: 'notes',
    about: 'Notes played by the weaker fingers.',
  },
  { id: 'hands', label: 'hand changes', tally: 'sum', about: 'The melody going from one hand to the other.' },
  {
    id: 'left',
    label: 'melody in the left hand',
    tally: 'notes',
    about: 'Notes that take the left hand from its chords.',
  },
] as const satisfies readonly EffortPart[]);

const loads = loader(parts);

export function wayLoads({ way, grip }: Play<AngloWay>): Loads {
  return loads({ weak: isWeak(grip) ? 1 : 0, left: way.hand === 'L' ? 1 : 0 });
}

export function stepLoads(from: Play<AngloWay>, to: Play<AngloWay>): Loads {
  return loads({
    turns: from.way.air === to.way.air ? 0 : 1,
    rows: from.way.row === to.way.row ? 0 : 1,
    hops: hops(from, to) ? 1 : 0,
    hands: from.way.hand === to.way.hand ? 0 : 1,
  });
}

const EVEN = Object.freeze({ turns: 0.8, rows: 0.6, hops: 2, weak: 0.35, hands: 0.1, left: 0 });

export const preferences: readonly PreferencePreset[] = Object.freeze([
  { id: 'even', label: 'an even hand', about: 'Everything counts a little.', weights: EVEN, avoid: [] },
  {
    id: 'along',
    label: 'along the row',
    about: 'As few row changes as the notes allow: lively, with many turns.',
    weights: { ...EVEN, rows: 6, turns: 0.05 },
    avoid: [],
  },
  {
    id: 'across',
    label: 'across the rows',
    about: 'As few turns of the bellows as the notes allow: smooth.',
    weights: { ...EVEN, turns: 6, rows: 0.05 },
    avoid: [],
  },
  {
    id: 'harmonic',
    label: 'melody right, chords left',
    about: 'The melody keeps to the right hand where it can.',
    weights: { ...EVEN, left: 5 },
    avoid: [],
  },
  {
    id: 'two-rows',
    label: 'the two main rows only',
    about: 'For a beginner: the outside row is left alone.',
    weights: EVEN,
    avoid: ['accidental'],
  },
]);
