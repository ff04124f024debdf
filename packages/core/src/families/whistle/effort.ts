import { loader, type EffortPart, type Loads, type PreferencePreset } from '../effortPart.ts';
import type { Moment } from '../way.ts';
import type { Bore } from './fingerings.ts';
import type { WhistleWay } from './ways.ts';

export const parts = Object.freeze([
  {
    id: 'fingers',
    label: 'fingers moved',
    tally: 'sum',
    about: 'Fingers lifted or put down; a half counts half.',
  },
  {
    id: 'crossed',
    label: 'fingers against each other',
    tally: 'sum',
    about: 'Fingers going up while others go down in the same step.',
  },
  { id: 'halves', label: 'half-holes', tally: 'notes', about: 'Notes that need a hole covered by half.' },
  { id: 'crosses', label: 'cross-fingerings', tally: 'notes', about: 'Notes fingered with a gap.' },
  {
    id: 'registers',
    label: 'changes of register',
    tally: 'sum',
    about: 'Crossing the octave: the air must jump.',
  },
  { id: 'strain', label: 'strained air', tally: 'sum', about: 'Air for the highest notes, by length.' },
  {
    id: 'grip',
    label: 'loose grip',
    tally: 'sum',
    about: 'Beats with no finger down: thumbs and mouth alone hold the whistle.',
  },
  {
    id: 'bore',
    label: 'against the bore',
    tally: 'notes',
    about: 'Fingerings that suit the other kind of bore.',
  },
] as const satisfies readonly EffortPart[]);

const loads = loader(parts);

/** Notes this far up begin to strain, in semitones above the lowest note; judgement. */
const STRAIN_FROM = 19;

export function wayLoads(way: WhistleWay, lowest: number, bore: Bore, { beats }: Moment): Loads {
  const { pattern, kind, bore: suits } = way.fingering;
  return loads({
    halves: kind === 'half' ? 1 : 0,
    crosses: kind === 'cross' ? 1 : 0,
    strain: (Math.max(0, way.pitch - lowest - STRAIN_FROM) / 5) * beats,
    grip: /^o+$/.test(pattern) ? beats : 0,
    bore: suits !== undefined && suits !== bore ? 1 : 0,
  });
}

/** How much of a hole is covered. */
const COVERED: Readonly<Record<string, number>> = Object.freeze({ x: 1, h: 0.5, o: 0 });

export function stepLoads(from: WhistleWay, to: WhistleWay): Loads {
  let put = 0;
  let lifted = 0;
  for (let hole = 0; hole < from.fingering.pattern.length; hole += 1) {
    const change = COVERED[to.fingering.pattern[hole]!]! - COVERED[from.fingering.pattern[hole]!]!;
    if (change > 0) put += change;
    else lifted -= change;
  }
  return loads({
    fingers: put + lifted,
    crossed: Math.min(put, lifted),
    registers: from.register === to.register ? 0 : 1,
  });
}

const EVEN = Object.freeze({
  fingers: 0.35,
  crossed: 0.8,
  halves: 4.6,
  crosses: 0.5,
  registers: 1,
  strain: 1,
  grip: 1.2,
  bore: 1.2,
});

export const preferences: readonly PreferencePreset[] = Object.freeze([
  { id: 'even', label: 'an even hand', about: 'Everything counts a little.', weights: EVEN, avoid: [] },
  {
    id: 'fingers',
    label: 'the quietest fingers',
    about: 'As few fingers moved as the notes allow, for quick tunes.',
    weights: { ...EVEN, fingers: 2, crossed: 3, grip: 0.1 },
    avoid: [],
  },
  {
    id: 'steady',
    label: 'a steady grip',
    about: 'Low holes kept covered where the pitch allows, for long notes.',
    weights: { ...EVEN, grip: 5, fingers: 0.1, crossed: 0.2 },
    avoid: [],
  },
  {
    id: 'no-halves',
    label: 'no half-holes',
    about: 'Plain and cross-fingerings only.',
    weights: EVEN,
    avoid: ['half'],
  },
  {
    id: 'gentle',
    label: 'gentle air',
    about: 'Low register before high, nothing strained.',
    weights: { ...EVEN, registers: 2, strain: 4 },
    avoid: ['strained'],
  },
  {
    id: 'reach',
    label: 'everything, as high as it goes',
    about: 'The whole reach up to the ceiling set in the cabinet.',
    weights: { ...EVEN, strain: 0.4 },
    avoid: [],
    wholeReach: true,
  },
]);
