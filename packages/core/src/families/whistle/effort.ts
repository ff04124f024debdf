import { EVEN_HAND, type EffortTerm, type PreferencePreset } from '../effortTerm.ts';
import type { Hold } from '../way.ts';
import type { WhistleLayout } from './layout.ts';
import { TENTH } from './tables.ts';
import type { WhistleWay } from './ways.ts';

/** Notes this far up begin to strain, in semitones above the lowest note; judgement. */
const STRAIN_FROM = 19;

const ALL_CLOSED = /^x{6}/;

/** How much of a hole is covered. */
const COVERED: Readonly<Record<string, number>> = Object.freeze({ x: 1, h: 0.5, o: 0 });

/** Fingers put down and lifted between two fingerings; a half-hole counts half. */
function moved(from: Hold<WhistleWay>, to: Hold<WhistleWay>): { put: number; lifted: number } {
  const before = from[0]!.way.fingering.pattern;
  const after = to[0]!.way.fingering.pattern;
  const changes = [...after].map((mark, hole) => COVERED[mark]! - COVERED[before[hole]!]!);
  const sum = (values: readonly number[]) => values.reduce((total, value) => total + value, 0);
  return {
    put: sum(changes.filter((change) => change > 0)),
    lifted: -sum(changes.filter((change) => change < 0)),
  };
}

/** The fingering that a hold takes for the tenth semitone, where it sounds that. */
function tenthIn(hold: Hold<WhistleWay>): string | undefined {
  const { semitones, pattern } = hold[0]!.way.fingering;
  return semitones === TENTH ? pattern : undefined;
}

/** A line keeps its fingering of the tenth semitone in mind, in both registers the same. */
export function carry(before: string, hold: Hold<WhistleWay>): string {
  return tenthIn(hold) ?? before;
}

export const terms: readonly EffortTerm<WhistleLayout, WhistleWay>[] = [
  {
    id: 'fingers',
    label: 'fingers moved',
    about: 'Fingers lifted or put down; a half counts half.',
    tally: 'sum',
    weight: 0.35,
    between(from: Hold<WhistleWay>, to: Hold<WhistleWay>) {
      const { put, lifted } = moved(from, to);
      return put + lifted;
    },
  },
  {
    id: 'crossed',
    label: 'fingers against each other',
    about: 'Fingers going up while others go down in the same step.',
    tally: 'sum',
    weight: 0.8,
    between(from: Hold<WhistleWay>, to: Hold<WhistleWay>) {
      const { put, lifted } = moved(from, to);
      return Math.min(put, lifted);
    },
  },
  {
    id: 'halves',
    label: 'half-holes',
    about: 'Notes that need a hole covered by half.',
    tally: 'notes',
    weight: 4.6,
    onWay: ({ way }) => (way.fingering.kind === 'half' ? 1 : 0),
  },
  {
    id: 'crosses',
    label: 'cross-fingerings',
    about: 'Notes fingered with a gap.',
    tally: 'notes',
    weight: 0.5,
    onWay: ({ way }) => (way.fingering.kind === 'cross' ? 1 : 0),
  },
  {
    id: 'registers',
    label: 'changes of register',
    about: 'Crossing the octave: the air must jump.',
    tally: 'sum',
    weight: 1,
    between: (from: Hold<WhistleWay>, to: Hold<WhistleWay>) =>
      from[0]!.way.register === to[0]!.way.register ? 0 : 1,
  },
  {
    id: 'burst',
    label: 'all closed across the octave',
    about:
      'The lowest note overblown with all holes closed, coming from the low register: it may stay down. With the top hole open it is safe.',
    tally: 'notes',
    weight: 1.5,
    between: (from: Hold<WhistleWay>, to: Hold<WhistleWay>) =>
      from[0]!.way.register === 'low' && to[0]!.way.register === 'upper' && ALL_CLOSED.test(to[0]!.way.id)
        ? 1
        : 0,
  },
  {
    id: 'another-tenth',
    label: 'another fingering for the same note',
    about: 'The tenth semitone fingered in another way than before in the line.',
    tally: 'notes',
    weight: 3,
    between(_: Hold<WhistleWay>, to: Hold<WhistleWay>, { carried }) {
      const tenth = tenthIn(to);
      return carried !== '' && tenth !== undefined && tenth !== carried ? 1 : 0;
    },
  },
  {
    id: 'strain',
    label: 'strained air',
    about: 'Air for the highest notes, by length.',
    tally: 'sum',
    weight: 1,
    feels: ['beats'],
    onWay: ({ way }, { layout, timing }) =>
      (Math.max(0, way.pitch - layout.lowest - STRAIN_FROM) / 5) * timing.beats,
  },
  {
    id: 'grip',
    label: 'loose grip',
    about: 'Beats with no finger down: thumbs and mouth alone hold the whistle.',
    tally: 'sum',
    weight: 1.2,
    feels: ['beats'],
    onWay: ({ way }, { timing }) => (/^o+$/.test(way.fingering.pattern) ? timing.beats : 0),
  },
  {
    id: 'bore',
    label: 'against the bore',
    about: 'Fingerings that suit the other kind of bore.',
    tally: 'notes',
    weight: 1.2,
    onWay({ way }, { layout }) {
      const suits = way.fingering.bore;
      return suits !== undefined && suits !== layout.bore ? 1 : 0;
    },
  },
];

export const preferences: readonly PreferencePreset[] = [
  EVEN_HAND,
  {
    id: 'fingers',
    label: 'the quietest fingers',
    about: 'As few fingers moved as the notes allow, for quick tunes.',
    weights: { fingers: 2, crossed: 3, grip: 0.1 },
    avoid: [],
  },
  {
    id: 'steady',
    label: 'a steady grip',
    about: 'Low holes kept covered where the pitch allows, for long notes.',
    weights: { grip: 5, fingers: 0.1, crossed: 0.2 },
    avoid: [],
  },
  {
    id: 'no-halves',
    label: 'no half-holes',
    about: 'Plain and cross-fingerings only.',
    weights: {},
    avoid: ['half'],
  },
  {
    id: 'gentle',
    label: 'gentle air',
    about: 'Low register before high, nothing strained.',
    weights: { registers: 2, strain: 4 },
    avoid: ['strained'],
  },
  {
    id: 'reach',
    label: 'everything, as high as it goes',
    about: 'The whole reach up to the ceiling set in the cabinet.',
    weights: { strain: 0.4 },
    avoid: [],
    wholeRange: true,
  },
];
