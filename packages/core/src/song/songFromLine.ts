import type { NoteName } from '../pitch/noteName.ts';
import { expectOk } from '../result.ts';
import type { LineNote } from '../route/line.ts';
import { QUARTER, type Ticks } from '../time/ticks.ts';
import { checkSong } from './checkSong.ts';
import type { Song, SongNote } from './song.ts';
import { spelledForSong } from './transpose.ts';

const BAR: Ticks = 4 * QUARTER;

/** A line as a song in common time, in a key; notes that cross a bar line are tied. @throws for a line without notes */
export function songFromLine(
  title: string,
  key: { readonly tonic: NoteName; readonly scale: string },
  line: readonly Omit<LineNote, 'id'>[],
  tags: readonly string[] = [],
): Song {
  const end = Math.max(...line.map(({ onset, length }) => onset + length));
  const count = Math.ceil(end / BAR);
  const notes = line.flatMap(({ pitch, onset, length }): Omit<SongNote, 'id'>[] => {
    const pieces: Omit<SongNote, 'id'>[] = [];
    for (let from = onset; from < onset + length;) {
      const to = Math.min(onset + length, (Math.floor(from / BAR) + 1) * BAR);
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
      ...{ title, composer: '', source: '', licence: '', tags },
      keys: [{ at: 0, ...key }],
      metres: [{ at: 0, count: 4, unit: 4 }],
      tempos: [],
      // The last bar is as long as what stands in it.
      bars: Array.from({ length: count }, (_, i) => ({ length: i === count - 1 ? end - i * BAR : BAR })),
      parts: [
        {
          id: '1',
          name: '',
          voices: [{ id: '1', notes: notes.map((note, i) => ({ id: `n${i + 1}`, ...note })), tuplets: [] }],
        },
      ],
      melody: '1',
      chords: [],
      phrases: [],
    }),
  );
}
