import { barLength, type Metre } from './metre.ts';
import type { Ticks } from './ticks.ts';

/** What effort needs to know of when a note sounds. The route works it out once for a whole line. */
export interface NoteTiming {
  /** Length in counted beats. */
  readonly beats: number;
  /** Seconds since the note before began, at most `LEISURE`: longer times are felt alike. */
  readonly since: number;
  /** Seconds that it lasts, at most `LEISURE`. */
  readonly lasts: number;
  /** Seconds that it lasts, however many, and of silence before it. */
  readonly seconds: number;
  readonly rest: number;
  /** True where the note falls on an odd pulse: the second, fourth … of the line's smallest note values. */
  readonly offPulse: boolean;
}

/** Counted beats a minute of an easy pace. */
export const EASY_BEAT = 100;
/** A beat of an easy pace, in seconds: time to spare for any change. */
export const LEISURE = 60 / EASY_BEAT;

/** A note with all the time in the world before it, a beat long. */
export const UNHURRIED: NoteTiming = Object.freeze({
  beats: 1,
  since: LEISURE,
  lasts: LEISURE,
  seconds: LEISURE,
  rest: 0,
  offPulse: false,
});

/** How a change is felt that has little time. */
export interface Haste {
  /** Seconds from which on there is time enough. */
  readonly within: number;
  /** How many times it counts with time enough, and where there is none; in between in proportion. */
  readonly atLeisure: number;
  readonly atOnce: number;
}

/** How many times a change counts that has so much time. @param seconds 0 or more */
export function countedInHaste({ within, atLeisure, atOnce }: Haste, seconds: number): number {
  return atLeisure + (atOnce - atLeisure) * Math.max(0, 1 - seconds / within);
}

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
 * one, and a pickup of one pulse on an odd one. Where a bar has an odd number of pulses, as quarters in three, each bar
 * begins with an even one. A note between two pulses, such as the second of two eighths beside triplets, belongs to the
 * pulse before it.
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
    const seconds = (ticks: Ticks) => (LEISURE * ticks) / (beat * pace);
    return {
      beats: length / beat,
      since: before ? Math.min(LEISURE, seconds(onset - before.onset)) : LEISURE,
      lasts: Math.min(LEISURE, seconds(length)),
      seconds: seconds(length),
      rest: before ? Math.max(0, seconds(onset - before.onset - before.length)) : 0,
      offPulse: isOffPulse(onset - at - pickup, pulse, barLength(metre)),
    };
  });
}

/** @param since ticks since the first bar line @param bar length of a bar */
function isOffPulse(since: Ticks, pulse: Ticks, bar: Ticks): boolean {
  const isOddBar = (bar / pulse) % 2 === 1;
  const within = isOddBar ? since - bar * Math.floor(since / bar) : since;
  return Math.abs(Math.floor(within / pulse) % 2) === 1;
}
