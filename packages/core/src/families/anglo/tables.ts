import { keysOf } from '../../objects.ts';
import type { UnusualKeys } from '../kernel/position.ts';

/** A button's two pitches: pushed, pulled. */
export type ButtonPair = readonly [push: number, pull: number];

export const ROWS = Object.freeze(['outside', 'middle', 'inside'] as const);
export type RowName = (typeof ROWS)[number];

/** Five buttons of each row, left hand from little finger to index, right hand from index to little finger. */
export type Rows = Readonly<Record<'L' | 'R', Readonly<Partial<Record<RowName, readonly ButtonPair[]>>>>>;

/**
 * In C/G, as pitches (C4 = 60). Rows are called as the player sees them: the accidentals outside, C in the middle,
 * G inside. Source: the standard 30-button Anglo plan.
 */
const LEFT = Object.freeze({
  //         E3/F3     A3/B♭3    C♯4/E♭4   A4/G4     G♯4/B♭4
  outside: [
    [52, 53],
    [57, 58],
    [61, 63],
    [69, 67],
    [68, 70],
  ],
  //         C3/G3     G3/B3     C4/D4     E4/F4     G4/A4
  middle: [
    [48, 55],
    [55, 59],
    [60, 62],
    [64, 65],
    [67, 69],
  ],
  //         B3/A3     D4/F♯4    G4/A4     B4/C5     D5/E5
  inside: [
    [59, 57],
    [62, 66],
    [67, 69],
    [71, 72],
    [74, 76],
  ],
} as const);

const RIGHT = Object.freeze({
  //         C5/B4     E5/D5     G5/F5     C6/A5     E6/B5
  middle: [
    [72, 71],
    [76, 74],
    [79, 77],
    [84, 81],
    [88, 83],
  ],
  //         G5/F♯5    B5/A5     D6/C6     G6/E6     B6/F♯6
  inside: [
    [79, 78],
    [83, 81],
    [86, 84],
    [91, 88],
    [95, 90],
  ],
} as const);

/** The right accidental row, by what it does. The outer two of the second school vary by maker. */
const RIGHT_OUTSIDE = Object.freeze({
  //                    C♯5/E♭5   A5/G5     G♯5/B♭5   C♯6/E♭6   A6/F6
  'sharp-on-push': [
    [73, 75],
    [81, 79],
    [80, 82],
    [85, 87],
    [93, 89],
  ],
  //                    E♭5/C♯5   C♯5/E♭5   G♯5/G5    C♯6/B♭5   A6/D6
  'sharp-both-ways': [
    [75, 73],
    [73, 75],
    [80, 79],
    [85, 82],
    [93, 86],
  ],
} as const);

export const PLANS = Object.freeze({
  'sharp-on-push': {
    label: '30 buttons, C♯ (in C/G) on push only',
    buttons: 30,
    rows: { L: LEFT, R: { outside: RIGHT_OUTSIDE['sharp-on-push'], ...RIGHT } },
  },
  'sharp-both-ways': {
    label: '30 buttons, C♯ (in C/G) both ways',
    buttons: 30,
    rows: { L: LEFT, R: { outside: RIGHT_OUTSIDE['sharp-both-ways'], ...RIGHT } },
  },
  'two-rows': {
    label: '20 buttons, two rows',
    buttons: 20,
    rows: { L: { middle: LEFT.middle, inside: LEFT.inside }, R: RIGHT },
  },
} satisfies Record<string, { label: string; buttons: number; rows: Rows }>);
export type PlanId = keyof typeof PLANS;
export const PLAN_IDS = Object.freeze(keysOf(PLANS));

/** Keys of the middle and inside rows, in semitones from C/G. Source: the pairs commonly made. */
export const KEYS = Object.freeze({
  'C/G': 0,
  'D/A': 2,
  'B♭/F': -2,
  'A♭/E♭': -4,
  'G/D': -5,
  'F/C': 5,
});
export type KeyPair = keyof typeof KEYS;
export const KEY_PAIRS = Object.freeze(keysOf(KEYS));

/** Seconds of pull with one reed that open the bellows from shut to full; makers' bellows differ in folds. */
export const BELLOWS = Object.freeze({ small: 6, usual: 10, large: 14 });
export type BellowsId = keyof typeof BELLOWS;
export const BELLOWS_IDS = Object.freeze(keysOf(BELLOWS));

/**
 * How unusual a key is, by position: 1 the middle row's, 2 the inside row's. Of C/G players take C, G and D, then F, A, B♭,
 * E♭, E. Judgement, by the tunes that are played.
 */
export const ANGLO_KEYS: UnusualKeys = Object.freeze({
  byPosition: { 1: 0, 2: 0, 3: 0, 4: 0.3, 5: 0.9, 12: 0.7, 11: 0.8, 10: 0.85 },
  others: 1.1,
});
