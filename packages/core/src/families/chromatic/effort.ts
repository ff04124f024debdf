import {
  loader,
  type EffortPart,
  type Habit,
  type HabitChoice,
  type Loads,
  type PreferencePreset,
} from '../effortPart.ts';
import type { ChromaticWay } from './ways.ts';

export const parts = Object.freeze([
  { id: 'turns', label: 'turns of breath', tally: 'sum', about: 'Changes between blow and draw.' },
  { id: 'slides', label: 'slide moves', tally: 'sum', about: 'Pushing the slide in or letting it out.' },
  { id: 'jumps', label: 'holes jumped', tally: 'sum', about: 'Holes passed over between two notes.' },
  { id: 'slid', label: 'notes with the slide', tally: 'notes', about: 'Notes that need the slide held in.' },
  { id: 'habit', label: 'against your habit', tally: 'notes', about: 'The other one of two equal notes.' },
] as const satisfies readonly EffortPart[]);

const loads = loader(parts);

export const habits: readonly Habit[] = Object.freeze([
  {
    id: 'home',
    label: 'Home lies on two neighbouring holes, blown',
    options: [
      { id: 'either', label: 'whichever is easier here' },
      { id: 'lower', label: 'prefer the lower-numbered hole' },
      { id: 'upper', label: 'prefer the higher-numbered hole' },
    ],
  },
]);

/** @param twin side on which the neighbouring hole sounds the same note, if it does */
export function wayLoads(way: ChromaticWay, twin: 'lower' | 'upper' | undefined, chosen: HabitChoice): Loads {
  const habit = chosen['home'] ?? 'either';
  return loads({
    slid: way.technique === 'slide' ? 1 : 0,
    habit: twin !== undefined && habit !== 'either' && habit === twin ? 1 : 0,
  });
}

export function stepLoads(from: ChromaticWay, to: ChromaticWay): Loads {
  return loads({
    turns: from.air === to.air ? 0 : 1,
    slides: from.technique === to.technique ? 0 : 1,
    jumps: Math.max(0, Math.abs(from.hole - to.hole) - 1),
  });
}

const EVEN = Object.freeze({ turns: 1, slides: 0.6, jumps: 0.6, slid: 0.3, habit: 4 });

export const preferences: readonly PreferencePreset[] = Object.freeze([
  { id: 'even', label: 'an even hand', about: 'Everything counts a little.', weights: EVEN, avoid: [] },
  {
    id: 'turns',
    label: 'the fewest turns of breath',
    about: 'Long lines in one breath, whatever the slide must do.',
    weights: { turns: 10, slides: 0.1, jumps: 0.1, slid: 0, habit: 0.5 },
    avoid: [],
  },
  {
    id: 'slides',
    label: 'the fewest slide moves',
    about: 'A quiet hand; the breath turns instead.',
    weights: { ...EVEN, turns: 0.2, slides: 6 },
    avoid: [],
  },
  {
    id: 'open',
    label: 'open notes first',
    about: 'The slide only where nothing else sounds the note.',
    weights: { ...EVEN, slid: 6 },
    avoid: [],
  },
  {
    id: 'no-slide',
    label: 'no slide at all',
    about: 'For a beginner: open notes only.',
    weights: EVEN,
    avoid: ['slide'],
  },
]);
