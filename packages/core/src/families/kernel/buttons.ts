import type { EffortTerm } from '../effortTerm.ts';
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

type Step = (before: FingeredWay<ButtonWay>, after: FingeredWay<ButtonWay>) => boolean;

/** How many steps from a way of one hold to a way of the next are of a kind. */
const stepsThat =
  (is: Step) =>
  (from: Hold<ButtonWay>, to: Hold<ButtonWay>): number => {
    let count = 0;
    for (const before of from) for (const after of to) if (is(before, after)) count += 1;
    return count;
  };

/** A finger goes from one button straight to another. */
const isHop: Step = (before, after) =>
  before.fingering === after.fingering && before.way.button !== after.way.button;

/** A finger takes a button that another has just played, or reaches across another to its own. */
const isDisplaced: Step = (before, after) => {
  if (before.way.hand !== after.way.hand || before.fingering === after.fingering) return false;
  const fingers = fingerNumber(after.fingering) - fingerNumber(before.fingering);
  const buttons = after.way.fromThumb - before.way.fromThumb;
  return before.way.button === after.way.button || fingers * buttons < 0;
};

export const fingerHops: EffortTerm<unknown, ButtonWay> = Object.freeze({
  id: 'hops',
  label: 'one finger on two buttons',
  about: 'The same finger straight from one button to another: the line breaks there.',
  tally: 'sum',
  weight: 2,
  between: stepsThat(isHop),
});

export const fingersOutOfPlace: EffortTerm<unknown, ButtonWay> = Object.freeze({
  id: 'displaced',
  label: 'fingers out of their columns',
  about: 'Two fingers on one button one after the other, or one reaching across another.',
  tally: 'sum',
  weight: 2,
  between: stepsThat(isDisplaced),
});

export const weakFingers: EffortTerm<unknown, ButtonWay> = Object.freeze({
  id: 'weak',
  label: 'ring and little finger',
  about: 'Notes played by the weaker fingers.',
  tally: 'notes',
  weight: 0.3,
  onWay: ({ fingering }: FingeredWay<ButtonWay>) => (fingerNumber(fingering) >= 2 ? 1 : 0),
});
