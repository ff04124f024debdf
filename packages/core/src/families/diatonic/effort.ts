import type { Haste } from '../../time/noteTiming.ts';
import { EVEN_HAND, type EffortTerm, type PlayingOption, type PreferencePreset } from '../effortTerm.ts';
import { BREATH_OPTION } from '../kernel/breath.ts';
import { againstHabit, BREATH_IN_HASTE, breathTurns, holesJumped, tongueBlocks } from '../kernel/holes.ts';
import type { FingeredWay, Hold } from '../way.ts';
import { ROOTS, type DiatonicLayout } from './layout.ts';
import type { TechniqueId } from './techniques.ts';
import type { DiatonicWay } from './ways.ts';

/**
 * How hard a technique is, 1 being a shallow bend on a C harmonica. Judgement, in the order in which teachers rank
 * them; not measurements.
 */
const HARDNESS = Object.freeze({
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

/** Blow bends and over-notes get harder for each semitone of key above A, where they are still comfortable. */
const PER_SEMITONE_ABOVE_A = 0.17;
const A_ROOT = 57;
/** Low reeds answer slowly: draw bends cost more for each semitone of key below G. */
const PER_SEMITONE_BELOW_G = 0.04;
/** Notes below this pitch take more air the lower they are. */
const MIDDLE_C = 60;

/** A bend held above its floor cannot be brought into tune in under about 150 ms. */
const BENDS_IN_HASTE: Haste = Object.freeze({ within: 0.3, atLeisure: 1, atOnce: 3 });

const onHigh = ({ root }: DiatonicLayout) => 1 + Math.max(0, root - A_ROOT) * PER_SEMITONE_ABOVE_A;
const onLow = ({ root }: DiatonicLayout) => 1 + Math.max(0, ROOTS.lowestUsual - root) * PER_SEMITONE_BELOW_G;

const isOver = ({ way }: FingeredWay<DiatonicWay>) =>
  way.technique === 'overblow' || way.technique === 'overdraw';

/** Thinness by technique; a plain note is thin only as the blown twin of a drawn one. */
function thinness(layout: DiatonicLayout, way: DiatonicWay): number {
  const thin: Partial<Record<TechniqueId, number>> = {
    plain: twinOf(layout, way) === 'draw' ? THIN.twinBlow : 0,
    'middle-bend': THIN.middle,
    overblow: THIN.over,
    overdraw: THIN.over,
  };
  return thin[way.technique] ?? 0;
}

/** Where a plain note has its twin on the neighbouring hole: on the draw plate below it or the blow plate above it. */
function twinOf(layout: DiatonicLayout, way: DiatonicWay): 'draw' | 'blow' | undefined {
  if (way.technique !== 'plain') return undefined;
  const index = way.hole - 1;
  if (way.air === 'out') return layout.draw[index - 1] === layout.blow[index] ? 'draw' : undefined;
  return layout.blow[index + 1] === layout.draw[index] ? 'blow' : undefined;
}

export const terms: readonly EffortTerm<DiatonicLayout, DiatonicWay>[] = [
  { ...breathTurns, weight: 0.5, haste: BREATH_IN_HASTE },
  { ...holesJumped, weight: 0.7 },
  {
    id: 'bends',
    label: 'easy bends',
    about: 'Draw bends down to their floor, and the everyday half tone of a hole that bends further.',
    tally: 'notes',
    weight: 1,
    onWay({ way }, { layout }) {
      if (way.technique === 'shallow-bend') return HARDNESS.shallowBend * onLow(layout);
      return way.technique === 'deep-bend' ? HARDNESS.deepBend * onLow(layout) : 0;
    },
  },
  {
    id: 'middles',
    label: 'middle bends',
    about: 'Bends held above their floor, hard to keep in tune.',
    tally: 'notes',
    weight: 1.2,
    haste: BENDS_IN_HASTE,
    onWay({ way }, { layout }) {
      if (way.technique !== 'middle-bend') return 0;
      return (way.room > 2 ? HARDNESS.middleOfThree : HARDNESS.middleBend) * onLow(layout);
    },
  },
  {
    id: 'highs',
    label: 'blow bends',
    about: 'Bends of the high blow notes; harder the higher the key.',
    tally: 'notes',
    weight: 1,
    onWay({ way }, { layout }) {
      if (way.technique !== 'blow-bend') return 0;
      return (way.depth === way.room ? HARDNESS.blowBend : HARDNESS.blowBendMiddle) * onHigh(layout);
    },
  },
  {
    id: 'overs',
    label: 'over-notes',
    about: 'Overblows and overdraws.',
    tally: 'notes',
    weight: 1.6,
    onWay({ way }, { layout }) {
      if (way.technique === 'overblow') return HARDNESS.overblow * onHigh(layout);
      return way.technique === 'overdraw' ? HARDNESS.overdraw * onHigh(layout) : 0;
    },
  },
  {
    id: 'over-run',
    label: 'over-notes in a row',
    about: 'One over-note straight after another.',
    tally: 'sum',
    weight: 1.5,
    between: (from: Hold<DiatonicWay>, to: Hold<DiatonicWay>) =>
      from.some(isOver) && to.some(isOver) ? 1 : 0,
  },
  {
    id: 'breath',
    label: 'big breaths',
    about: 'Air for notes below middle C, by length.',
    tally: 'sum',
    weight: 0.2,
    feels: ['beats'],
    onWay: ({ way }, { timing }) => (Math.max(0, MIDDLE_C - way.pitch) / 12) * timing.beats,
  },
  {
    id: 'tone',
    label: 'thin tone',
    about: 'Notes that sound thinner than their neighbours.',
    tally: 'sum',
    weight: 0.4,
    onWay: ({ way }, { layout }) => thinness(layout, way),
  },
  { ...tongueBlocks, weight: 0.4 },
  {
    ...againstHabit,
    onWay({ way }, { layout, options }) {
      const twin = options['twin'] ?? 'either';
      return twin !== 'either' && twinOf(layout, way) === twin ? 1 : 0;
    },
  },
];

/** Two schools for the pitch that hole 2 draw and hole 3 blow share. */
export const playingOptions: readonly PlayingOption[] = Object.freeze([
  BREATH_OPTION,
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

const BENDS = ['shallow-bend', 'deep-bend', 'middle-bend', 'blow-bend'];
const OVERS = ['overblow', 'overdraw'];

export const preferences: readonly PreferencePreset[] = [
  EVEN_HAND,
  {
    id: 'beginner',
    label: 'no bends at all',
    about: 'Easiest for a beginner: plain notes only, few jumps.',
    weights: { jumps: 1.2 },
    avoid: [...BENDS, ...OVERS],
  },
  {
    id: 'tone',
    label: 'the best tone',
    about: 'Full notes first, where they cost no more than a turn and a jump.',
    weights: { tone: 2.6, turns: 0.7, jumps: 0.4 },
    avoid: [],
  },
  {
    id: 'air',
    label: 'the smoothest air',
    about: 'As few turns of breath as the notes allow.',
    weights: { turns: 4, jumps: 0.3 },
    avoid: [],
  },
  {
    id: 'no-overs',
    label: 'no over-notes',
    about: 'Bends, but neither overblows nor overdraws.',
    weights: {},
    avoid: OVERS,
  },
  {
    id: 'reach',
    label: 'everything, as high as it goes',
    about: 'The whole reach; high bends and over-notes count less.',
    weights: { highs: 0.5, overs: 0.8, 'over-run': 0.6 },
    avoid: [],
    wholeRange: true,
  },
];
