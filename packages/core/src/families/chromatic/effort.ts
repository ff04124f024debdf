import { EVEN_HAND, type EffortTerm, type PlayingOption, type PreferencePreset } from '../effortTerm.ts';
import { BREATH_OPTION } from '../kernel/breath.ts';
import { againstHabit, BREATH_IN_HASTE, breathTurns, holesJumped, tongueBlocks } from '../kernel/holes.ts';
import type { Hold } from '../way.ts';
import type { ChromaticLayout } from './layout.ts';
import type { ChromaticWay } from './ways.ts';

/** On which side the neighbouring hole sounds the same open note: the way is then the lower or the upper of the two. */
function placeInTwin({ reeds }: ChromaticLayout, way: ChromaticWay): 'lower' | 'upper' | undefined {
  const row = reeds[way.air === 'out' ? 'blow' : 'draw'];
  const own = row[way.hole - 1];
  if (row[way.hole] === own) return 'lower';
  return row[way.hole - 2] === own ? 'upper' : undefined;
}

const slideIn = (hold: Hold<ChromaticWay>) => hold[0]!.way.technique === 'slide';

/**
 * Weights by which a plain scale of the instrument's key is played with no slide, and most lines as practitioners play
 * them: breath turns cost little, the slide much.
 */
export const terms: readonly EffortTerm<ChromaticLayout, ChromaticWay>[] = [
  // A slide is pressed faster than breath is turned.
  { ...breathTurns, weight: 0.2, haste: { ...BREATH_IN_HASTE, atOnce: 12 } },
  {
    id: 'slides',
    label: 'slide moves',
    about: 'Pushing the slide in or letting it out.',
    tally: 'sum',
    weight: 0.6,
    between: (from: Hold<ChromaticWay>, to: Hold<ChromaticWay>) => (slideIn(from) === slideIn(to) ? 0 : 1),
  },
  holesJumped,
  {
    id: 'slid',
    label: 'notes with the slide',
    about: 'Notes that need the slide held in.',
    tally: 'notes',
    weight: 0.6,
    onWay: ({ way }) => (way.technique === 'slide' ? 1 : 0),
  },
  {
    id: 'onward',
    label: 'lower hole before going on up',
    about: 'Home on the lower of its two holes although the line goes on upward.',
    tally: 'sum',
    weight: 0.3,
    between(from: Hold<ChromaticWay>, to: Hold<ChromaticWay>, { layout }) {
      const [before, after] = [from[0]!.way, to[0]!.way];
      return after.pitch > before.pitch && placeInTwin(layout, before) === 'lower' ? 1 : 0;
    },
  },
  tongueBlocks,
  {
    ...againstHabit,
    onWay({ way }, { layout, options }) {
      const preferred = options['home'] ?? 'either';
      const place = placeInTwin(layout, way);
      return preferred === 'either' || place === undefined || place === preferred ? 0 : 1;
    },
  },
];

export const playingOptions: readonly PlayingOption[] = Object.freeze([
  BREATH_OPTION,
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

export const preferences: readonly PreferencePreset[] = [
  EVEN_HAND,
  {
    id: 'turns',
    label: 'the fewest turns of breath',
    about: 'Long lines in one breath, whatever the slide must do.',
    weights: { turns: 10, slides: 0.1, jumps: 0.1, slid: 0, onward: 0, habit: 0.5 },
    avoid: [],
  },
  {
    id: 'slides',
    label: 'the fewest slide moves',
    about: 'A quiet hand; the breath turns instead.',
    weights: { slides: 6, slid: 0 },
    avoid: [],
  },
  {
    id: 'open',
    label: 'open notes first',
    about: 'The slide only where nothing else sounds the note.',
    weights: { slid: 6 },
    avoid: [],
  },
  {
    id: 'no-slide',
    label: 'no slide at all',
    about: 'For a beginner: open notes only.',
    weights: {},
    avoid: ['slide'],
  },
];
