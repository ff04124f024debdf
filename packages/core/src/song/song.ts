import type { Ticks } from '../time/ticks.ts';
import type { Part, Song, SongNote, Syllable, Voice } from './songSchema.ts';

export { NOTE_MARKS } from './songSchema.ts';
export type {
  Bar,
  NoteMark,
  Part,
  Song,
  SongChord,
  SongKey,
  SongMetre,
  SongNote,
  Syllable,
  Tempo,
  Tuplet,
  Voice,
} from './songSchema.ts';

/** Where each bar begins, and at the end where the last one ends: one number more than there are bars. */
export function barStarts({ bars }: Pick<Song, 'bars'>): readonly Ticks[] {
  let at = 0;
  return [0, ...bars.map(({ length }) => (at += length))];
}

/** From the first bar to the end of the last. */
export function writtenLength({ bars }: Pick<Song, 'bars'>): Ticks {
  return bars.reduce((sum, { length }) => sum + length, 0);
}

/** Index of the bar in which a time lies. @param starts as `barStarts` gives them */
export function barAt(starts: readonly Ticks[], at: Ticks): number {
  let low = 0;
  let high = starts.length - 2;
  while (low < high) {
    const middle = Math.ceil((low + high) / 2);
    if (starts[middle]! <= at) low = middle;
    else high = middle - 1;
  }
  return low;
}

/** What holds at a time of a list of changes, rising by time; undefined before the first. */
export function holdingAt<T extends { readonly at: Ticks }>(changes: readonly T[], at: Ticks): T | undefined {
  let [from, to] = [0, changes.length];
  while (from < to) {
    const middle = (from + to) >> 1;
    if (changes[middle]!.at <= at) from = middle + 1;
    else to = middle;
  }
  return changes[from - 1];
}

/** The melody's part and voice. @throws where the song names none of its voices */
export function melodyOf(song: Pick<Song, 'parts' | 'melody'>): {
  readonly part: Part;
  readonly voice: Voice;
} {
  for (const part of song.parts) {
    const voice = part.voices.find(({ id }) => id === song.melody);
    if (voice) return { part, voice };
  }
  throw new Error(`melodyOf: no voice ${song.melody}`);
}

/** A song with each of its notes replaced; one may go, or become several. */
export function mapNotes(
  song: Song,
  change: (note: SongNote, voice: Voice) => SongNote | readonly SongNote[],
): Song {
  return {
    ...song,
    parts: song.parts.map((part) => ({
      ...part,
      voices: part.voices.map((voice) => ({
        ...voice,
        notes: voice.notes.flatMap((note) => change(note, voice)),
      })),
    })),
  };
}

/** A syllable as it is written under its note; empty where a verse has none. */
export function sungText(syllable: Syllable | null): string {
  return syllable ? syllable.text + (syllable.hyphen ? '-' : '') : '';
}

/** Voices that can be played elsewhere, the melody among them. */
export function pitchedVoices({ parts }: Pick<Song, 'parts'>): readonly Voice[] {
  return parts.filter(({ percussion }) => !percussion).flatMap(({ voices }) => voices);
}
