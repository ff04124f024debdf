import type { TimedNote } from './rhythm.ts';

/** What one round of something practised is made of. */
export interface RoundOptions {
  readonly notes: readonly TimedNote[];
  /** Counted beats in a bar. */
  readonly beatsPerBar: number;
  /** Counted beats of its bar that lie before the first note: a pickup, or a passage that begins within a bar. */
  readonly phase: number;
  /** Counted beats a minute. */
  readonly perMinute: number;
  /** Two bars are counted before it. */
  readonly countIn: boolean;
}

/** A beat as it is seen and heard; times in seconds since the count began. */
export interface RoundBeat {
  readonly at: number;
  /** Within its bar, from 1. */
  readonly beat: number;
  /** What is said: the first beat of the second bar that is counted is two, so that one knows which bar it is. */
  readonly said: number;
  /** It is counted before the first note. */
  readonly counted: boolean;
}

/** One round in time. */
export interface Round {
  readonly notes: readonly { readonly noteId: string; readonly at: number; readonly seconds: number }[];
  readonly beats: readonly RoundBeat[];
  /** Where the line begins, after what is counted. */
  readonly begins: number;
  /** With the end of the last bar, where the next round would begin in time. */
  readonly ends: number;
  /** Bars of the line, the last one full. */
  readonly bars: number;
}

/**
 * Lays a round out in time: two bars in the counted beat, then the line to the end of its last bar. What begins within
 * a bar is counted in to that place, as a pickup is. Times are worked out from the beginning, so that nothing adds up.
 */
export function roundOf({ notes, beatsPerBar, phase, perMinute, countIn }: RoundOptions): Round {
  const beat = 60 / perMinute;
  const counted = countIn ? (phase > 0 ? beatsPerBar + phase : 2 * beatsPerBar) : phase - Math.floor(phase);
  // Counted beats stand on whole beats of their bar; what begins between two waits for its place.
  const begins = counted * beat;
  const last = notes.at(-1);
  const length = last ? last.start + last.beats : 0;
  const bars = Math.max(1, Math.ceil((phase + length) / beatsPerBar - 1e-9));
  const total = bars * beatsPerBar - phase;
  const first = phase - counted;
  const beats: RoundBeat[] = [];
  for (let at = Math.ceil(first - 1e-9); at < phase + total - 1e-9; at += 1) {
    const within = (((at % beatsPerBar) + beatsPerBar) % beatsPerBar) + 1;
    const isCounted = at < phase - 1e-9;
    const said = isCounted && within === 1 ? Math.floor((at - first) / beatsPerBar + 1e-9) + 1 : within;
    beats.push({ at: (at - first) * beat, beat: within, said, counted: isCounted });
  }
  return {
    notes: notes.map(({ noteId, start, held }) => ({
      noteId,
      at: (counted + start) * beat,
      seconds: held * beat,
    })),
    ...{ beats, begins, bars },
    ends: (counted + total) * beat,
  };
}
