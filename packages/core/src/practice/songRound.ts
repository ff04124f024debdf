import { performance, type PerformedBar } from '../song/performance.ts';
import type { Song } from '../song/song.ts';
import type { Round, RoundBeat } from './round.ts';

/** How a song is played round after round. */
export interface SongRoundOptions {
  /** Counted beats a minute where it begins; where its tempo changes it changes by as much. */
  readonly perMinute: number;
  /** Only from one note of the melody to another, both included; the whole song with its repeats when left out. */
  readonly passage?: { readonly from: string; readonly to: string } | undefined;
}

/** Share of its length that a note sounds, so that two of one pitch are two. */
const HELD = 0.92;

/**
 * A song, or a passage of it, as one round: repeats and endings taken, counted in by its metre, its beats as they are counted
 * where they lie, so that round after round follows in time.
 */
export function songRound(
  song: Song,
  { perMinute, passage }: SongRoundOptions,
): Round & { readonly stretches: readonly PerformedBar[] } {
  const { soundings, beats, bars, begins, ends } = performance(song, {
    perMinute,
    repeats: passage === undefined,
    countIn: true,
    ...(passage && { passage }),
  });
  const barAt = (time: number) =>
    Math.max(
      0,
      bars.findLastIndex(({ at }) => at <= time + 1e-9),
    );
  return {
    notes: soundings.flatMap(({ kind, noteId, at, seconds, lasts = seconds }) =>
      kind === 'melody' && noteId !== undefined
        ? [{ noteId, at, seconds: lasts * HELD, bar: barAt(at) }]
        : [],
    ),
    beats: beats.map((beat, i): RoundBeat => ({ ...beat, said: saidOn(beats, i) })),
    bars,
    stretches: bars,
    begins,
    ends,
  };
}

/** What is said on a beat: its number, but on the first beat of the second bar that is counted two. */
function saidOn(beats: readonly Omit<RoundBeat, 'said'>[], i: number): number {
  const { counted, beat } = beats[i]!;
  return counted && beat === 1 && i > 0 ? 2 : beat;
}
