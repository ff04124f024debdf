import type { EffortTerm, PlayingOption, PreferencePreset } from '../effortTerm.ts';
import { fingerHops, fingersClash, weakFingers } from '../kernel/buttons.ts';
import type { Clash, FingeredWay, Hold } from '../way.ts';
import type { EnglishLayout } from './layout.ts';
import type { EnglishWay } from './ways.ts';

/** Most rows between two buttons that one hand holds at once; judgement. */
const SPAN_ROWS = 4;

export function clash(low: FingeredWay<EnglishWay>, high: FingeredWay<EnglishWay>): Clash | undefined {
  const far = low.way.hand === high.way.hand && Math.abs(low.way.row - high.way.row) > SPAN_ROWS;
  if (far) return { reason: 'span', text: 'the buttons lie too far apart for one hand' };
  return fingersClash(low, high);
}

/** The hand that plays a whole hold; undefined where both do. */
function onlyHand(hold: Hold<EnglishWay>) {
  const [first] = hold;
  return hold.every(({ way }) => way.hand === first!.way.hand) ? first!.way.hand : undefined;
}

export const terms: readonly EffortTerm<EnglishLayout, EnglishWay>[] = [
  fingerHops,
  {
    id: 'same-hand',
    label: 'same hand again',
    about: 'Two notes in a row on one hand.',
    tally: 'sum',
    weight: 0.5,
    between(from: Hold<EnglishWay>, to: Hold<EnglishWay>) {
      const hand = onlyHand(to);
      if (hand === undefined || onlyHand(from) !== hand) return 0;
      const held = new Set(from.map(({ way }) => way.button));
      return to.every(({ way }) => held.has(way.button)) ? 0 : 1;
    },
  },
  {
    id: 'reach',
    label: 'reaching',
    about: 'Rows moved up or down within one hand, beyond the next.',
    tally: 'sum',
    weight: 0.5,
    between(from: Hold<EnglishWay>, to: Hold<EnglishWay>) {
      let nearest = Infinity;
      for (const before of from)
        for (const after of to)
          if (before.way.hand === after.way.hand)
            nearest = Math.min(nearest, Math.abs(before.way.row - after.way.row));
      return nearest === Infinity ? 0 : Math.max(0, nearest - 1);
    },
  },
  {
    id: 'stretch',
    label: 'stretches',
    about: 'Rows between buttons that one hand holds at once, beyond the next.',
    tally: 'sum',
    weight: 0.5,
    onHold: (hold: Hold<EnglishWay>) =>
      hold.reduce((sum, { way }, i) => {
        const below = hold.slice(0, i).findLast((other) => other.way.hand === way.hand);
        return sum + (below ? Math.max(0, Math.abs(way.row - below.way.row) - 1) : 0);
      }, 0),
  },
  {
    id: 'outer',
    label: 'outer columns',
    about: 'Notes in columns 1 and 4.',
    tally: 'notes',
    weight: 0.7,
    onWay: ({ way }) => (way.column === 1 || way.column === 4 ? 1 : 0),
  },
  weakFingers,
];

export const playingOptions: readonly PlayingOption[] = Object.freeze([
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

export const preferences: readonly PreferencePreset[] = [
  {
    id: 'three',
    label: 'three fingers',
    about: 'The trained hand: index, middle and ring share the columns.',
    weights: {},
    avoid: [],
    playingOptions: { fingers: 'three' },
  },
  {
    id: 'two',
    label: 'two fingers',
    about: 'For beginners: index and middle keep to their own columns.',
    weights: {},
    avoid: [],
    playingOptions: { fingers: 'two' },
  },
  {
    id: 'four',
    label: 'four fingers',
    about: 'The little finger leaves its rest for column 4.',
    weights: { weak: 0.15 },
    avoid: [],
    playingOptions: { fingers: 'four' },
  },
  {
    id: 'alternate',
    label: 'hands in turn',
    about: 'Left and right alternate wherever a twin button allows it.',
    weights: { 'same-hand': 4, outer: 0 },
    avoid: [],
  },
];
