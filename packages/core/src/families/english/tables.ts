import { keysOf, byKey } from '../../objects.ts';
/**
 * Buttons by hand and column, low to high, as pitches (C4 = 60). Columns are counted from the thumb side; 2 and 3 hold
 * the naturals, 1 and 4 the accidentals beside them. Source: the standard plan of the English system, treble, 48 buttons.
 */
const TREBLE = Object.freeze({
  L: {
    //  C♯4 G♯4 D♯5 A♭5 E♭6 B♭6
    1: [61, 68, 75, 80, 87, 94],
    //  C4  G4  D5  A5  E6  B6
    2: [60, 67, 74, 81, 88, 95],
    //  A3  E4  B4  F5  C6  G6
    3: [57, 64, 71, 77, 84, 91],
    //  A♭3 E♭4 B♭4 F♯5 C♯6 G♯6
    4: [56, 63, 70, 78, 85, 92],
  },
  R: {
    //  G♯3 D♯4 A♭4 E♭5 B♭5 F♯6
    1: [56, 63, 68, 75, 82, 90],
    //  G3  D4  A4  E5  B5  F6
    2: [55, 62, 69, 76, 83, 89],
    //  B3  F4  C5  G5  D6  A6
    3: [59, 65, 72, 79, 86, 93],
    //  B♭3 F♯4 C♯5 G♯5 D♯6 C7
    4: [58, 66, 73, 80, 87, 96],
  },
});

export const COLUMNS = Object.freeze([1, 2, 3, 4] as const);
export type Column = (typeof COLUMNS)[number];
export type ButtonPlan = Readonly<Record<'L' | 'R', Readonly<Record<Column, readonly number[]>>>>;

/** The tenor-treble goes on downwards to C3 by the same rule: F♯3 F3 D3 D♯3 on the left, C♯3 C3 E3 E♭3 on the right. */
const BELOW = Object.freeze({
  L: { 1: 54, 2: 53, 3: 50, 4: 51 },
  R: { 1: 49, 2: 48, 3: 52, 4: 51 },
});

function eachColumn(make: (hand: 'L' | 'R', column: Column) => readonly number[]): ButtonPlan {
  const hand = (h: 'L' | 'R') => Object.freeze(byKey(COLUMNS, (c) => Object.freeze(make(h, c))));
  return Object.freeze({ L: hand('L'), R: hand('R') });
}

export const SYSTEMS = Object.freeze({
  treble: { label: 'treble, 48 buttons', plan: eachColumn((h, c) => TREBLE[h][c]) },
  'tenor-treble': {
    label: 'tenor-treble, 56 buttons',
    plan: eachColumn((h, c) => [BELOW[h][c], ...TREBLE[h][c]]),
  },
  baritone: {
    label: 'baritone, 48 buttons, an octave lower',
    plan: eachColumn((h, c) => TREBLE[h][c].map((pitch) => pitch - 12)),
  },
});
export type SystemId = keyof typeof SYSTEMS;
export const SYSTEM_IDS = Object.freeze(keysOf(SYSTEMS));
