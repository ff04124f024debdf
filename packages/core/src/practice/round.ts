import type { Form } from '../groove/form.ts';
import type { TimedNote } from './rhythm.ts';

/** What one round of something practised is made of. */
export interface RoundOptions {
  readonly notes: readonly TimedNote[];
  /** Counted beats in a bar, a whole number. */
  readonly beatsPerBar: number;
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
  /** Counted beats of its bar. */
  readonly of: number;
  /** What is said: the first beat of the second bar that is counted is two, so that one knows which bar it is. */
  readonly said: number;
  /** It is counted before the first note. */
  readonly counted: boolean;
}

/** A note as it is played; times in seconds since the count began. */
export interface RoundNote {
  readonly noteId: string;
  readonly at: number;
  /** How long it sounds. */
  readonly seconds: number;
  /** Place of its bar among those of the round. */
  readonly bar: number;
}

/** A bar of a round, or the part of one that is played; times in seconds since the count began. */
export interface RoundBar {
  readonly at: number;
  readonly seconds: number;
}

/** One round in time. */
export interface Round {
  readonly notes: readonly RoundNote[];
  readonly beats: readonly RoundBeat[];
  readonly bars: readonly RoundBar[];
  /** Where the line begins, after what is counted. */
  readonly begins: number;
  /** Where the next round would begin in time. */
  readonly ends: number;
}

/**
 * Lays a line out in time: two bars in the counted beat, then the line to the end of its last bar. Times are worked out from
 * the beginning, so that nothing adds up.
 */
export function roundOf({ notes, beatsPerBar, perMinute, countIn }: RoundOptions): Round {
  const beat = 60 / perMinute;
  const counted = countIn ? 2 * beatsPerBar : 0;
  const last = notes.at(-1);
  const length = last ? last.start + last.beats : 0;
  const bars = Math.max(1, Math.ceil(length / beatsPerBar - 1e-9));
  const ends = counted + bars * beatsPerBar;
  return {
    notes: notes.map(({ noteId, start, held }) => ({
      noteId,
      at: (counted + start) * beat,
      seconds: held * beat,
      bar: Math.floor(start / beatsPerBar + 1e-9),
    })),
    beats: Array.from({ length: ends }, (_, at): RoundBeat => {
      const within = (at % beatsPerBar) + 1;
      const isCounted = at < counted;
      const said = isCounted && within === 1 ? at / beatsPerBar + 1 : within;
      return { at: at * beat, beat: within, of: beatsPerBar, said, counted: isCounted };
    }),
    bars: Array.from({ length: bars }, (_, bar) => ({
      at: (counted + bar * beatsPerBar) * beat,
      seconds: beatsPerBar * beat,
    })),
    begins: counted * beat,
    ends: ends * beat,
  };
}

/**
 * A time of a form as it falls in a round: bar for bar, so that what accompanies a song follows its tempos.
 * @param beats counted beats since the form began @param form whose bars are those of the round, in their order
 * @returns seconds since the count began; undefined behind the last bar
 */
export function inRound({ bars }: Pick<Round, 'bars'>, form: Form, beats: number): number | undefined {
  const place = form.bars.findLastIndex(({ at }) => at <= beats + 1e-9);
  const [written, played] = [form.bars[place], bars[place]];
  if (!written || !played || beats >= written.at + written.beats - 1e-9) return undefined;
  return played.at + ((beats - written.at) * played.seconds) / written.beats;
}
