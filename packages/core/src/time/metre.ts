import { keysOf } from '../objects.ts';
import { QUARTER, type Ticks } from './ticks.ts';

/** How a line is counted: beats in a bar, what a beat is, and what comes before the first bar line. */
export interface Metre {
  /** As written: `6/8`. */
  readonly name: string;
  /** Beats in a bar, as they are counted: two in 6/8. */
  readonly beats: number;
  /** Length of a counted beat: a dotted quarter in 6/8. */
  readonly beat: Ticks;
  /** How the beat divides: in 3 in compound metres, in 2 in all others. */
  readonly divisions: 2 | 3;
  /** Length of the notes before the first bar line. */
  readonly pickup: Ticks;
}

/**
 * Metres in use. Source: what is counted in each kind of dance: reels in two, jigs in two dotted beats, slip jigs in
 * three, slow blues in four.
 */
const METRES = Object.freeze({
  '4/4': { beats: 4, beat: QUARTER, divisions: 2 },
  '2/2': { beats: 2, beat: 2 * QUARTER, divisions: 2 },
  '3/4': { beats: 3, beat: QUARTER, divisions: 2 },
  '2/4': { beats: 2, beat: QUARTER, divisions: 2 },
  '6/8': { beats: 2, beat: (3 * QUARTER) / 2, divisions: 3 },
  '9/8': { beats: 3, beat: (3 * QUARTER) / 2, divisions: 3 },
  '12/8': { beats: 4, beat: (3 * QUARTER) / 2, divisions: 3 },
} as const);
export type MetreName = keyof typeof METRES;
export const METRE_NAMES = Object.freeze(keysOf(METRES));

/** @param pickup length of the notes before the first bar line, from 0 to less than a bar @throws for any other */
export function metre(name: MetreName, pickup: Ticks = 0): Metre {
  const found: Metre = { name, ...METRES[name], pickup };
  if (!Number.isInteger(pickup) || pickup < 0 || pickup >= barLength(found))
    throw new Error(`metre: a pickup of ${pickup} ticks does not fit before a bar of ${name}`);
  return found;
}

/**
 * Any metre as it is counted: in dotted beats where eighths or shorter go in threes, otherwise as it is written.
 * @param count and unit as written: 6 and 8 for 6/8 @throws for a pickup of a bar or more
 */
export function countedMetre(count: number, unit: number, pickup: Ticks = 0): Metre {
  const name = `${count}/${unit}`;
  const known = METRE_NAMES.find((one) => one === name);
  if (known) return metre(known, pickup);
  const written = (4 * QUARTER) / unit;
  const compound = unit >= 8 && count % 3 === 0 && count > 3;
  const beat = compound ? 3 * written : written;
  const found: Metre = {
    name,
    beats: compound ? count / 3 : count,
    beat,
    divisions: compound ? 3 : 2,
    pickup,
  };
  if (!Number.isInteger(pickup) || pickup < 0 || pickup >= barLength(found))
    throw new Error(`countedMetre: a pickup of ${pickup} ticks does not fit before a bar of ${name}`);
  return found;
}

export function barLength({ beats, beat }: Metre): Ticks {
  return beats * beat;
}

/** A place in the metre. */
export interface Position {
  /** Bars since the first bar line; −1 within the pickup. */
  readonly bar: number;
  /** Beat within the bar, 0 the first. */
  readonly beat: number;
  /** Ticks since that beat; 0 on the beat. */
  readonly within: Ticks;
}

/** Where an onset falls. @param onset ticks since the line's start, the pickup included */
export function positionAt(of: Metre, onset: Ticks): Position {
  const bar = barLength(of);
  const sinceBarLine = onset - of.pickup;
  const inBar = ((sinceBarLine % bar) + bar) % bar;
  return {
    bar: Math.floor(sinceBarLine / bar),
    beat: Math.floor(inBar / of.beat),
    within: inBar % of.beat,
  };
}
