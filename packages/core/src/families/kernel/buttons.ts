import type { Grip, Play, Way } from '../way.ts';

/** What concertinas of every system share: two hands of buttons, fingers, and the fault of one finger on two buttons. */
export const HANDS = Object.freeze(['L', 'R'] as const);
export type Hand = (typeof HANDS)[number];

export const HAND_WORDS: Readonly<Record<Hand, string>> = Object.freeze({ L: 'left', R: 'right' });

export const FINGERS = Object.freeze(['index', 'middle', 'ring', 'little'] as const);
export type Finger = (typeof FINGERS)[number];

const SHORT: Readonly<Record<Finger, string>> = Object.freeze({
  index: 'i',
  middle: 'm',
  ring: 'r',
  little: 'l',
});

/** Eight grips: a finger of a hand, `Li` … `Rl`. */
export const FINGER_GRIPS: readonly Grip[] = Object.freeze(
  HANDS.flatMap((hand) =>
    FINGERS.map((finger) => ({
      id: hand + SHORT[finger],
      short: SHORT[finger],
      words: `${HAND_WORDS[hand]} ${finger} finger`,
    })),
  ),
);

export function gripId(hand: Hand, finger: Finger): string {
  return hand + SHORT[finger];
}

/** True for the little and ring fingers. */
export function isWeak(grip: string | undefined): boolean {
  return grip?.endsWith('l') === true || grip?.endsWith('r') === true;
}

/** A way on a button of one hand. */
export interface ButtonWay extends Way {
  readonly hand: Hand;
  /** Tells the button from all others of the instrument. */
  readonly button: string;
}

/** One finger going from one button straight to another. */
export function hops<W extends ButtonWay>(from: Play<W>, to: Play<W>): boolean {
  return from.grip === to.grip && from.way.button !== to.way.button;
}
