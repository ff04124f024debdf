import type { NoteName } from '../pitch/noteName.ts';
import { expectOk } from '../result.ts';
import type { LineNote } from '../route/line.ts';
import { QUARTER, type Ticks } from '../time/ticks.ts';
import { checkSong } from './checkSong.ts';
import type { Song, SongNote, Tuplet } from './song.ts';
import { spelledForSong } from './transpose.ts';

/** The bars into which a line is put. */
export interface BarsOfLine {
  readonly count: number;
  readonly unit: number;
  /** Length of a first bar that is shorter, with a pickup; none when left out. */
  readonly pickup?: Ticks;
  readonly tuplets?: readonly Tuplet[];
}

/** A line as a song in a key, in common time where nothing is said; notes that cross a bar line are tied. @throws for a line without notes */
export function songFromLine(
  title: string,
  key: { readonly tonic: NoteName; readonly scale: string },
  line: readonly Omit<LineNote, 'id'>[],
  tags: readonly string[] = [],
  { count, unit, pickup = 0, tuplets = [] }: BarsOfLine = { count: 4, unit: 4 },
): Song {
  const end = Math.max(...line.map(({ onset, length }) => onset + length));
  const whole = (4 * QUARTER * count) / unit;
  const firstEnd = pickup > 0 ? pickup : whole;
  /** Where the bar ends in which a time lies. */
  const barEnd = (at: Ticks) =>
    at < firstEnd ? firstEnd : firstEnd + (Math.floor((at - firstEnd) / whole) + 1) * whole;
  const ends: Ticks[] = [];
  for (let at = 0; at < end; at = ends.at(-1)!) ends.push(barEnd(at));
  const notes = line.flatMap(({ pitch, onset, length }): Omit<SongNote, 'id'>[] => {
    const pieces: Omit<SongNote, 'id'>[] = [];
    for (let from = onset; from < onset + length;) {
      const to = Math.min(onset + length, barEnd(from));
      const tied = to < onset + length;
      pieces.push({
        onset: from,
        length: to - from,
        pitch: spelledForSong(pitch, { at: 0, ...key }),
        ...(tied && { tied }),
      });
      from = to;
    }
    return pieces;
  });
  return expectOk(
    checkSong({
      title,
      composer: '',
      source: '',
      licence: '',
      tags,
      keys: [{ at: 0, ...key }],
      metres: [{ at: 0, count, unit }],
      tempos: [],
      // The last bar is as long as what stands in it.
      bars: ends.map((to, i) => ({ length: Math.min(end, to) - (ends[i - 1] ?? 0) })),
      parts: [
        {
          id: '1',
          name: '',
          voices: [{ id: '1', notes: notes.map((note, i) => ({ id: `n${i + 1}`, ...note })), tuplets }],
        },
      ],
      melody: '1',
      chords: [],
      phrases: [],
    }),
  );
}
