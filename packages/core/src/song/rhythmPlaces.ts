import { hitsOf } from '../groove/form.ts';
import { danceOf } from '../groove/grooves.ts';
import type { LineNote } from '../route/line.ts';
import type { Ticks } from '../time/ticks.ts';
import { metreAt } from './barOffset.ts';
import { barStarts, type Song } from './song.ts';
import { songForm } from './songForm.ts';

/** Where a dance has something under a melody. */
export interface RhythmPlace {
  readonly play: 'root' | 'fifth' | 'chord';
  /** The note of the melody that begins, sounds or has last sounded there; before the first that one. */
  readonly note: LineNote;
  readonly onset: Ticks;
  /** Until the next place, the next chord or the end. */
  readonly length: Ticks;
}

/**
 * Bass and chords of a song by the dance of its metre, rising by time; none where it has no chords.
 * @param line one note an onset @param withChords or the bass alone
 */
export function rhythmPlaces(
  song: Song,
  line: readonly LineNote[],
  withChords: boolean,
): readonly RhythmPlace[] {
  const form = songForm(song);
  const last = line.at(-1);
  if (!form || !last) return [];
  const starts = barStarts(song);
  const end = last.onset + last.length;
  const places = hitsOf(form, (bar) => danceOf(metreAt(song, starts[bar]!)))
    .flatMap(({ play, at, bar }) => {
      if (play !== 'root' && play !== 'fifth' && !(withChords && play === 'chord')) return [];
      const { beat } = metreAt(song, starts[bar]!);
      return [{ play, onset: starts[bar]! + Math.round((at - form.bars[bar]!.at) * beat) }];
    })
    .filter(({ onset }) => onset < end)
    .sort((a, b) => a.onset - b.onset);
  let note = 0;
  return places.map(({ play, onset }, i): RhythmPlace => {
    while (line[note + 1] && line[note + 1]!.onset <= onset) note += 1;
    const change = song.chords.find(({ at }) => at > onset)?.at ?? end;
    const until = Math.min(places[i + 1]?.onset ?? end, change, end);
    return { play, note: line[note]!, onset, length: until - onset };
  });
}
