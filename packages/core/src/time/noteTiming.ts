import type { Metre } from './metre.ts';
import type { Ticks } from './ticks.ts';

/** What effort needs to know of when a note sounds. The route works it out once for a whole line. */
export interface NoteTiming {
  /** Length in counted beats. */
  readonly beats: number;
  /** By how much less than a beat has passed since the note before began: 0 with time to spare, near 1 at once. */
  readonly haste: number;
  /** True where the note falls on an odd pulse: the second, fourth … of the line's smallest note values. */
  readonly offPulse: boolean;
}

/** A note with all the time in the world before it, a beat long. */
export const UNHURRIED: NoteTiming = Object.freeze({ beats: 1, haste: 0, offPulse: false });

/** When a note sounds, all that timing needs of it. */
export interface Timed {
  /** Ticks since the line's start. */
  readonly onset: Ticks;
  readonly length: Ticks;
}

/** A metre and the time from which on it is counted. */
export interface MetreFrom {
  readonly at: Ticks;
  readonly metre: Metre;
}

/** How a line is counted: in one metre, or in several, rising by time, the first from 0 on. */
export type Counting = Metre | readonly MetreFrom[];

/**
 * The timing of each note of a line, in the order of their onsets; notes of one onset may be given once.
 *
 * The pulse is the smallest note value of the line, counted from the first bar line on, through rests and long notes:
 * a scale of equal notes falls on even and odd pulses in turn, a dotted quarter with its eighth on an even and an odd
 * one, and a pickup of one pulse on an odd one. A note between two pulses, such as the second of two eighths beside
 * triplets, belongs to the pulse before it.
 */
export function timingsOf(metre: Counting, notes: readonly Timed[]): readonly NoteTiming[] {
  const changes: readonly MetreFrom[] = 'beat' in metre ? [{ at: 0, metre }] : metre;
  let pulse = Infinity;
  for (const { length } of notes) pulse = Math.min(pulse, length);
  let now = 0;
  return notes.map(({ onset, length }, i) => {
    while (changes[now + 1] && changes[now + 1]!.at <= onset) now += 1;
    const { at, metre: holding } = changes[now]!;
    const { beat, pickup } = holding;
    const before = notes[i - 1];
    const since = before ? onset - before.onset : Infinity;
    return {
      beats: length / beat,
      haste: Math.max(0, 1 - since / beat),
      offPulse: Math.abs(Math.floor((onset - at - pickup) / pulse) % 2) === 1,
    };
  });
}
