import type { Circumstances, EffortTerm } from '../effortTerm.ts';
import type { Clash, Fingering, FingeredWay, Hold, Way } from '../way.ts';

/** What concertinas share: two hands of buttons and four fingers a hand. */
export const HANDS = Object.freeze(['L', 'R'] as const);
export type Hand = (typeof HANDS)[number];
export const HAND_WORDS: Readonly<Record<Hand, string>> = Object.freeze({ L: 'left', R: 'right' });

/** From the thumb side outwards. */
export const FINGERS = Object.freeze(['index', 'middle', 'ring', 'little'] as const);
export type Finger = (typeof FINGERS)[number];
const SHORT: Readonly<Record<Finger, string>> = Object.freeze({
  index: 'i',
  middle: 'm',
  ring: 'r',
  little: 'l',
});

/** Eight fingerings: a finger of a hand, `Li` … `Rl`. */
export const HAND_FINGERINGS: readonly Fingering[] = Object.freeze(
  HANDS.flatMap((hand) =>
    FINGERS.map((finger) => ({
      id: hand + SHORT[finger],
      short: SHORT[finger],
      words: `${HAND_WORDS[hand]} ${finger} finger`,
    })),
  ),
);

export function fingeringId(hand: Hand, finger: Finger): string {
  return hand + SHORT[finger];
}

const FINGER_NUMBERS: ReadonlyMap<string, number> = new Map(
  HANDS.flatMap((hand) => FINGERS.map((finger, i) => [hand + SHORT[finger], i] as const)),
);

/** 0 the index finger, 3 the little one; −1 for no finger. */
function fingerNumber(fingering: string | undefined): number {
  return FINGER_NUMBERS.get(fingering ?? '') ?? -1;
}

/** A way on a button of one hand. */
export interface ButtonWay extends Way {
  readonly hand: Hand;
  /** Tells the button from all others of the instrument. */
  readonly button: string;
  /** Buttons from the thumb side: 1 is the innermost. */
  readonly fromThumb: number;
}

/** A finger holds one button, and fingers of a hand do not cross. */
export function fingersClash(low: FingeredWay<ButtonWay>, high: FingeredWay<ButtonWay>): Clash | undefined {
  if (low.way.button === high.way.button)
    return { reason: 'place', text: `one button sounds one note at a time` };
  if (low.way.hand !== high.way.hand) return undefined;
  const hand = HAND_WORDS[low.way.hand];
  const fingers = fingerNumber(high.fingering) - fingerNumber(low.fingering);
  const buttons = high.way.fromThumb - low.way.fromThumb;
  if (fingers === 0)
    return { reason: 'finger', text: `one finger of the ${hand} hand cannot hold two buttons` };
  return fingers * buttons < 0
    ? { reason: 'finger', text: `fingers of the ${hand} hand would cross` }
    : undefined;
}

/**
 * Where the fingers of the two hands lie along a line: for each hand the button from the thumb on which its index finger
 * lies, the others on those after it: `12`, with `-` for a hand that has not played. '' at the start of a line.
 */
const NOT_PLACED = '-';

/** The index finger lies on the first button from the thumb or on the second; where a finger reaches over, it stays. */
const LAYS = Object.freeze({ least: 1, most: 2 });

/** The buttons from the thumb on which the index finger lies when the ways of one hand are played; several in a stretch. */
function laysIn(hold: Hold<ButtonWay>, hand: Hand): readonly string[] {
  const own = hold.filter(({ way }) => way.hand === hand);
  return own.map(({ way, fingering }) => {
    const lay = way.fromThumb - fingerNumber(fingering);
    return String(Math.min(LAYS.most, Math.max(LAYS.least, lay)));
  });
}

/** Fingers stay where they lie until a hand plays with none of them there. */
export function carryFingers(before: string, hold: Hold<ButtonWay>): string {
  return HANDS.map((hand, i) => {
    const lay = before[i] ?? NOT_PLACED;
    const lays = laysIn(hold, hand);
    return lays.length === 0 || lays.includes(lay) ? lay : [...lays].sort()[0]!;
  }).join('');
}

/** Of what was carried only the hands that play matter. */
export function heededFingers(carried: string, hold: Hold<ButtonWay>): string {
  return HANDS.map((hand, i) => (hold.some(({ way }) => way.hand === hand) ? carried[i] : '') ?? '').join(
    ' ',
  );
}

export const fingerHops: EffortTerm<unknown, ButtonWay> = Object.freeze({
  id: 'hops',
  label: 'one finger on two buttons',
  about: 'The same finger straight from one button to another: the line breaks there.',
  tally: 'sum',
  weight: 3,
  between(from: Hold<ButtonWay>, to: Hold<ButtonWay>) {
    let count = 0;
    for (const before of from)
      for (const after of to)
        if (before.fingering === after.fingering && before.way.button !== after.way.button) count += 1;
    return count;
  },
});

/** Its families carry on with `carryFingers`. */
export const fingersOutOfPlace: EffortTerm<unknown, ButtonWay> = Object.freeze({
  id: 'displaced',
  label: 'fingers out of their columns',
  about: 'Hands moved to other columns: a button is then taken by another finger than before.',
  tally: 'sum',
  weight: 2,
  between: (_from: Hold<ButtonWay>, to: Hold<ButtonWay>, { carried }: Circumstances) =>
    HANDS.filter((hand, i) => {
      const lay = carried[i] ?? NOT_PLACED;
      const lays = laysIn(to, hand);
      return lay !== NOT_PLACED && lays.length > 0 && !lays.includes(lay);
    }).length,
});

export const weakFingers: EffortTerm<unknown, ButtonWay> = Object.freeze({
  id: 'weak',
  label: 'ring and little finger',
  about: 'Notes played by the weaker fingers.',
  tally: 'notes',
  weight: 0.3,
  onWay: ({ fingering }: FingeredWay<ButtonWay>) => (fingerNumber(fingering) >= 2 ? 1 : 0),
});
