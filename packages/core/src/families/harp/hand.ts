import type { Clash, FingeredWay, Hold } from '../way.ts';
import type { HarpWay } from './ways.ts';

/** Four fingers a hand: the thumb, 1, plucks the highest string of a placed hand, the ring finger, 4, the lowest. */
export type Finger = FingeredWay<HarpWay>;

export const HANDS = Object.freeze(['L', 'R'] as const);
export type HandId = (typeof HANDS)[number];

export function handOf({ fingering }: Finger): HandId {
  return fingering?.startsWith('L') ? 'L' : 'R';
}

/** 1 the thumb to 4 the ring finger. */
export function fingerOf({ fingering }: Finger): number {
  return fingering === undefined ? 0 : fingering.charCodeAt(1) - ZERO;
}

const ZERO = '0'.charCodeAt(0);

export function isSameString(a: Finger, b: Finger): boolean {
  return a.way.string === b.way.string && a.way.row === b.way.row;
}

/** Neighbouring fingers of each hand in a hold, the lower string first. */
export function neighbours(hold: Hold<HarpWay>): readonly (readonly [Finger, Finger])[] {
  return HANDS.flatMap((hand) => {
    const own = hold.filter((finger) => handOf(finger) === hand);
    const rising = [...own].sort((a, b) => a.way.string - b.way.string);
    return rising.slice(1).map((high, i) => [rising[i]!, high] as const);
  });
}

/**
 * Strings from a finger to the next towards the ring finger that a hand spans with ease. Source: up to a third, and a fourth
 * from thumb to index.
 */
export const NATURAL: Readonly<Record<number, number>> = Object.freeze({ 1: 3, 2: 2, 3: 2 });

/** Strings that lie naturally between two fingers of a hand. */
export function naturalStrings(low: Finger, high: Finger): number {
  let strings = 0;
  for (let finger = fingerOf(high); finger < fingerOf(low); finger += 1) strings += NATURAL[finger]!;
  return strings;
}

/** Most strings between two fingers of one hand: a tenth. */
const SPAN = 9;

/** A string sounds one pitch; a finger plucks one string; hands and fingers do not cross. */
export function clash(low: Finger, high: Finger): Clash | undefined {
  if (isSameString(low, high))
    return { reason: 'place', text: 'one string cannot be natural and raised at once' };
  const strings = high.way.string - low.way.string;
  if (handOf(low) !== handOf(high)) {
    const crossed = low.way.row === undefined && strings * (handOf(high) === 'R' ? 1 : -1) < 0;
    return crossed ? { reason: 'finger', text: 'the hands would cross' } : undefined;
  }
  const fingers = fingerOf(low) - fingerOf(high);
  if (fingers === 0) return { reason: 'finger', text: 'one finger cannot pluck two strings' };
  if (fingers * strings < 0) return { reason: 'finger', text: 'fingers would cross' };
  return Math.abs(strings) > SPAN ? { reason: 'span', text: 'too far apart for one hand' } : undefined;
}
