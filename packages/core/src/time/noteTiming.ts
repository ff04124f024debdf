import type { Metre } from './metre.ts';
import type { Ticks } from './ticks.ts';

/** What effort needs to know of when a note sounds. The route works it out once for a whole line. */
export interface NoteTiming {
  /** Length in counted beats. */
  readonly beats: number;
  /**
   * By how much less than a beat has passed since the note before began: 0 with time to spare, near 1 at once. Where a
   * tempo is told, the beat it is measured by is one of an easy pace.
   */
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

/** How fast it is counted from a time on: 1 where a counted beat lasts as long as `EASY_BEAT`, 2 where half as long. */
export interface PaceFrom {
  readonly at: Ticks;
  readonly pace: number;
}

/** Counted beats a minute of an easy pace, in which a beat is time to spare for any change. */
export const EASY_BEAT = 100;

/** Metres and paces, each rising by time; the first metre from 0 on. The pace is easy where none is told. */
export interface Counted {
  readonly metres: readonly MetreFrom[];
  readonly paces: readonly PaceFrom[];
}

/** How a line is counted: in one metre at an easy pace, or as it changes. */
export type Counting = Metre | Counted;

/**
 * The timing of each note of a line, in the order of their onsets; notes of one onset may be given once.
 *
 * The pulse is the smallest note value of the line, counted from the first bar line on, through rests and long notes:
 * a scale of equal notes falls on even and odd pulses in turn, a dotted quarter with its eighth on an even and an odd
 * one, and a pickup of one pulse on an odd one. A note between two pulses, such as the second of two eighths beside
 * triplets, belongs to the pulse before it.
 */
export function timingsOf(counting: Counting, notes: readonly Timed[]): readonly NoteTiming[] {
  const { metres, paces } =
    'beat' in counting ? { metres: [{ at: 0, metre: counting }], paces: [] } : counting;
  let pulse = Infinity;
  for (const { length } of notes) pulse = Math.min(pulse, length);
  let now = 0;
  let paced = -1;
  return notes.map(({ onset, length }, i) => {
    while (metres[now + 1] && metres[now + 1]!.at <= onset) now += 1;
    while (paces[paced + 1] && paces[paced + 1]!.at <= onset) paced += 1;
    const { at, metre } = metres[now]!;
    const { beat, pickup } = metre;
    const { pace } = paces[paced] ?? { pace: 1 };
    const before = notes[i - 1];
    const since = before ? onset - before.onset : Infinity;
    return {
      beats: length / beat,
      haste: Math.max(0, 1 - since / (beat * pace)),
      offPulse: Math.abs(Math.floor((onset - at - pickup) / pulse) % 2) === 1,
    };
  });
}
