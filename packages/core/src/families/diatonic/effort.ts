import {
  loader,
  type EffortPart,
  type Habit,
  type HabitChoice,
  type Loads,
  type PreferencePreset,
} from '../effortPart.ts';
import type { Moment } from '../way.ts';
import { ROOTS, type DiatonicLayout } from './layout.ts';
import type { DiatonicWay } from './ways.ts';

/** Parts in the order of the loads. */
export const parts = Object.freeze([
  { id: 'turns', label: 'turns of breath', tally: 'sum', about: 'Changes between blow and draw.' },
  { id: 'jumps', label: 'holes jumped', tally: 'sum', about: 'Holes passed over between two notes.' },
  { id: 'bends', label: 'full bends', tally: 'notes', about: 'Draw bends down to their floor.' },
  {
    id: 'middles',
    label: 'middle bends',
    tally: 'notes',
    about: 'Bends held above their floor, hard to keep in tune.',
  },
  {
    id: 'highs',
    label: 'blow bends',
    tally: 'notes',
    about: 'Bends of the high blow notes; harder the higher the key.',
  },
  { id: 'overs', label: 'over-notes', tally: 'notes', about: 'Overblows and overdraws.' },
  {
    id: 'over-run',
    label: 'over-notes in a row',
    tally: 'sum',
    about: 'One over-note straight after another.',
  },
  { id: 'breath', label: 'big breaths', tally: 'sum', about: 'Air for notes below middle C, by length.' },
  { id: 'tone', label: 'thin tone', tally: 'sum', about: 'Notes that sound thinner than their neighbours.' },
  { id: 'habit', label: 'against your habit', tally: 'notes', about: 'The other one of two equal notes.' },
] as const satisfies readonly EffortPart[]);
type PartId = (typeof parts)[number]['id'];

/**
 * Loads of one note, 1 being a shallow bend on a C harmonica. Judgement, in the order in which teachers rank them;
 * not measurements.
 */
const LOAD = Object.freeze({
  shallowBend: 1,
  deepBend: 1.5,
  middleBend: 2.2,
  middleOfThree: 2.7,
  blowBend: 2.8,
  blowBendMiddle: 3.4,
  overblow: 4,
  overdraw: 5,
});

/** Thinness of tone, 0 full to 1 thin; judgement. */
const THIN = Object.freeze({ over: 1, middle: 0.5, twinBlow: 0.4 });

/** A note bends harder for each semitone of key above A, where high bends are still comfortable. */
const PER_SEMITONE_ABOVE_A = 0.17;
const A_ROOT = 57;
/** Low reeds answer slowly: bends cost more for each semitone of key below G. */
const PER_SEMITONE_BELOW_G = 0.04;
/** Notes below this pitch take more air the lower they are. */
const MIDDLE_C = 60;

const loads = loader(parts);

/** How much harder a way is on this key: blow bends and over-notes by height, draw bends by depth. */
function keyFactor(layout: DiatonicLayout, way: DiatonicWay): number {
  const low = 1 + Math.max(0, ROOTS.lowestUsual - layout.root) * PER_SEMITONE_BELOW_G;
  const high = 1 + Math.max(0, layout.root - A_ROOT) * PER_SEMITONE_ABOVE_A;
  const isHigh =
    way.technique === 'blow-bend' || way.technique === 'overblow' || way.technique === 'overdraw';
  return isHigh ? high : low;
}

/** Loads of a way by itself; the breath grows with the note's length in beats. */
export function wayLoads(
  layout: DiatonicLayout,
  way: DiatonicWay,
  moment: Moment,
  habits: HabitChoice,
): Loads {
  const factor = keyFactor(layout, way);
  const common: Partial<Record<PartId, number>> = {
    breath: (Math.max(0, MIDDLE_C - way.pitch) / 12) * moment.beats,
    habit: againstHabit(layout, way, habits) ? 1 : 0,
  };
  switch (way.technique) {
    case 'plain':
      return loads({ ...common, tone: twinOf(layout, way) === 'draw' ? THIN.twinBlow : 0 });
    case 'shallow-bend':
      return loads({ ...common, bends: LOAD.shallowBend * factor });
    case 'deep-bend':
      return loads({ ...common, bends: LOAD.deepBend * factor });
    case 'middle-bend': {
      const load = way.room > 2 ? LOAD.middleOfThree : LOAD.middleBend;
      return loads({ ...common, middles: load * factor, tone: THIN.middle });
    }
    case 'blow-bend':
      return loads({
        ...common,
        highs: (way.depth === way.room ? LOAD.blowBend : LOAD.blowBendMiddle) * factor,
      });
    case 'overblow':
      return loads({ ...common, overs: LOAD.overblow * factor, tone: THIN.over });
    case 'overdraw':
      return loads({ ...common, overs: LOAD.overdraw * factor, tone: THIN.over });
  }
}

export function stepLoads(from: DiatonicWay, to: DiatonicWay): Loads {
  const isOver = (way: DiatonicWay) => way.technique === 'overblow' || way.technique === 'overdraw';
  return loads({
    turns: from.air === to.air ? 0 : 1,
    jumps: Math.max(0, Math.abs(from.hole - to.hole) - 1),
    'over-run': isOver(from) && isOver(to) ? 1 : 0,
  });
}

/** Where a plain note has its twin on the neighbouring hole: on the draw plate below it or the blow plate above it. */
function twinOf(layout: DiatonicLayout, way: DiatonicWay): 'draw' | 'blow' | undefined {
  if (way.technique !== 'plain') return undefined;
  const index = way.hole - 1;
  if (way.air === 'out') return layout.draw[index - 1] === layout.blow[index] ? 'draw' : undefined;
  return layout.blow[index + 1] === layout.draw[index] ? 'blow' : undefined;
}

function againstHabit(layout: DiatonicLayout, way: DiatonicWay, habits: HabitChoice): boolean {
  const habit = habits['twin'] ?? 'either';
  return habit !== 'either' && twinOf(layout, way) === habit;
}

/** Two schools for the pitch that hole 2 draw and hole 3 blow share. */
export const habits: readonly Habit[] = Object.freeze([
  {
    id: 'twin',
    label: 'When 2 draw and 3 blow are the same note',
    options: [
      { id: 'either', label: 'whichever is easier here' },
      { id: 'draw', label: 'prefer 2 draw: fuller, and it bends' },
      { id: 'blow', label: 'prefer 3 blow: simpler leaps and repeats' },
    ],
  },
]);

const EVEN: Readonly<Record<PartId, number>> = Object.freeze({
  turns: 0.5,
  jumps: 0.7,
  bends: 1,
  middles: 1.2,
  highs: 1,
  overs: 1.6,
  'over-run': 1.5,
  breath: 0.2,
  tone: 0.4,
  habit: 4,
});

const BENDS = ['shallow-bend', 'deep-bend', 'middle-bend', 'blow-bend'];
const OVERS = ['overblow', 'overdraw'];

export const preferences: readonly PreferencePreset[] = Object.freeze([
  { id: 'even', label: 'an even hand', about: 'Everything counts a little.', weights: EVEN, avoid: [] },
  {
    id: 'beginner',
    label: 'no bends at all',
    about: 'Easiest for a beginner: plain notes only, few jumps.',
    weights: { ...EVEN, jumps: 1.2 },
    avoid: [...BENDS, ...OVERS],
  },
  {
    id: 'tone',
    label: 'the best tone',
    about: 'Full notes first, even where they cost a turn or a jump.',
    weights: { ...EVEN, tone: 4, turns: 0.2, jumps: 0.4 },
    avoid: [],
  },
  {
    id: 'air',
    label: 'the smoothest air',
    about: 'As few turns of breath as the notes allow.',
    weights: { ...EVEN, turns: 4, jumps: 0.3 },
    avoid: [],
  },
  {
    id: 'no-overs',
    label: 'no over-notes',
    about: 'Bends, but neither overblows nor overdraws.',
    weights: EVEN,
    avoid: OVERS,
  },
  {
    id: 'reach',
    label: 'everything, as high as it goes',
    about: 'The whole reach; high bends and over-notes count less.',
    weights: { ...EVEN, highs: 0.5, overs: 0.8, 'over-run': 0.6 },
    avoid: [],
    wholeReach: true,
  },
]);
