import { EVEN_HAND, type EffortTerm, type PreferencePreset } from '../effortTerm.ts';
import { LEISURE } from '../../time/noteTiming.ts';
import { fingerHops, fingersClash, fingersOutOfPlace, weakFingers } from '../kernel/buttons.ts';
import type { Clash, FingeredWay, Hold } from '../way.ts';
import type { AngloLayout } from './layout.ts';
import type { AngloWay } from './ways.ts';

export function clash(low: FingeredWay<AngloWay>, high: FingeredWay<AngloWay>): Clash | undefined {
  if (low.way.air !== high.way.air)
    return { reason: 'air', text: 'the bellows cannot push and pull at once' };
  return fingersClash(low, high);
}

/** Whether two holds have a row, or a hand, in common. */
const share = (property: 'row' | 'hand', from: Hold<AngloWay>, to: Hold<AngloWay>) =>
  from.some((before) => to.some((after) => before.way[property] === after.way[property]));

export const terms: readonly EffortTerm<AngloLayout, AngloWay>[] = [
  {
    id: 'turns',
    label: 'turns of the bellows',
    about: 'Changes between push and pull.',
    tally: 'sum',
    weight: 0.28,
    haste: { within: LEISURE, atLeisure: 1, atOnce: 5 },
    between: (from: Hold<AngloWay>, to: Hold<AngloWay>) => (from[0]!.way.air === to[0]!.way.air ? 0 : 1),
  },
  {
    id: 'rows',
    label: 'row changes',
    about: 'Going from one row to another.',
    tally: 'sum',
    weight: 0.6,
    between: (from: Hold<AngloWay>, to: Hold<AngloWay>) => (share('row', from, to) ? 0 : 1),
  },
  {
    id: 'off-middle',
    label: 'notes off the middle row',
    about: 'Notes on the outside and inside rows, which are left for a missing note or to avoid a turn.',
    tally: 'notes',
    weight: 1.5,
    // In quick notes the bellows count more than the row.
    haste: { within: LEISURE, atLeisure: 1, atOnce: 0.15 },
    onWay: ({ way }: FingeredWay<AngloWay>) => (way.row === 'middle' ? 0 : 1),
  },
  { ...fingerHops, weight: 2.5, haste: { within: LEISURE, atLeisure: 0.5, atOnce: 1.3 } },
  fingersOutOfPlace,
  { ...weakFingers, weight: 0.35 },
  {
    id: 'hands',
    label: 'hand changes',
    about: 'The melody going from one hand to the other.',
    tally: 'sum',
    weight: 0.1,
    between: (from: Hold<AngloWay>, to: Hold<AngloWay>) => (share('hand', from, to) ? 0 : 1),
  },
  {
    id: 'left',
    label: 'melody in the left hand',
    about: 'Notes that take the left hand from its chords.',
    tally: 'notes',
    weight: 0,
    onHold: (hold: Hold<AngloWay>) => (hold.at(-1)!.way.hand === 'L' ? 1 : 0),
  },
];

export const preferences: readonly PreferencePreset[] = [
  EVEN_HAND,
  {
    id: 'along',
    label: 'along the row',
    about: 'As few row changes as the notes allow: lively, with many turns.',
    weights: { rows: 6, turns: 0.05, 'off-middle': 0 },
    avoid: [],
  },
  {
    id: 'across',
    label: 'across the rows',
    about: 'Smooth: few turns of the bellows, on the middle row wherever it has the note in their direction.',
    weights: { turns: 6, rows: 0.05 },
    avoid: [],
  },
  {
    id: 'harmonic',
    label: 'melody right, chords left',
    about: 'The melody keeps to the right hand where it can.',
    weights: { left: 5, 'off-middle': 0.6 },
    avoid: [],
  },
  {
    id: 'two-rows',
    label: 'the two main rows only',
    about: 'For a beginner: the outside row is left alone.',
    weights: {},
    avoid: ['accidental'],
  },
];
