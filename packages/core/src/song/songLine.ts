import { soundingPitch } from '../pitch/spelledPitch.ts';
import type { LineNote } from '../route/line.ts';
import { countedMetre, type Metre } from '../time/metre.ts';
import { EASY_BEAT, type Counted, type MetreFrom } from '../time/noteTiming.ts';
import { QUARTER } from '../time/ticks.ts';
import { barStarts, holdingAt, melodyOf, type Song, type Voice } from './song.ts';

/** Of each note that is tied on from another the id of the note with which it begins to sound; all others are left out. */
export function tiedFrom(voice: Voice): ReadonlyMap<string, string> {
  const first = new Map<string, string>();
  /** Notes that are tied on, by the time and pitch at which they go on. */
  const open = new Map<string, string>();
  for (const { id, onset, length, pitch: written, tied } of voice.notes) {
    const pitch = soundingPitch(written);
    const place = `${onset} ${pitch}`;
    const before = open.get(place);
    if (before !== undefined) first.set(id, before);
    open.delete(place);
    if (tied) open.set(`${onset + length} ${pitch}`, before ?? id);
  }
  return first;
}

/**
 * A voice as a line to be played, each bar once as it is written: tied notes are one, under the id of the first.
 */
export function songLine(voice: Voice): readonly LineNote[] {
  const line = new Map<string, { id: string; pitch: number; onset: number; length: number }>();
  const first = tiedFrom(voice);
  for (const { id, onset, length, pitch } of voice.notes) {
    const sounding = line.get(first.get(id) ?? '');
    if (sounding) sounding.length += length;
    else line.set(id, { id, pitch: soundingPitch(pitch), onset, length });
  }
  return [...line.values()];
}

/** The line of a song's melody. */
export function melodyLine(song: Song): readonly LineNote[] {
  return songLine(melodyOf(song).voice);
}

/** The metre in which a song begins, with its pickup: common time where it says nothing. */
export function metreOfSong(song: Song): Metre {
  const written = song.metres[0]?.at === 0 ? song.metres[0] : COMMON;
  const whole = (4 * QUARTER * written.count) / written.unit;
  const [, first = 0] = barStarts(song);
  return countedMetre(written.count, written.unit, song.bars.length > 1 && first < whole ? first : 0);
}

const COMMON = Object.freeze({ count: 4, unit: 4 });

/** Every metre of a song, from the time on from which it is counted; the first from the beginning. */
export function metresOfSong(song: Song): readonly MetreFrom[] {
  const later = song.metres.filter(({ at }) => at > 0);
  return [
    { at: 0, metre: metreOfSong(song) },
    ...later.map(({ at, count, unit }) => ({ at, metre: countedMetre(count, unit) })),
  ];
}

/** A song's metres, and how fast they are counted where it says a tempo. */
export function countingOfSong(song: Song): Counted {
  const metres = metresOfSong(song);
  const changes = [...new Set([...song.tempos, ...metres].map(({ at }) => at))].sort((a, b) => a - b);
  const paces = changes.flatMap((at) => {
    const tempo = holdingAt(song.tempos, at);
    const { metre } = holdingAt(metres, at)!;
    return tempo ? [{ at, pace: (tempo.perMinute * tempo.beat) / metre.beat / EASY_BEAT }] : [];
  });
  return { metres, paces };
}
