import type { NoteName } from '../pitch/noteName.ts';
import type { SpelledPitch } from '../pitch/spelledPitch.ts';
import type { Ticks } from '../time/ticks.ts';

/**
 * A song as it is written down: bars with their signs, voices with their notes, and what changes at a time. Times are
 * ticks from the beginning, each bar counted once; `played` tells what sounds when repeats are taken.
 */
export interface Song {
  readonly title: string;
  readonly composer: string;
  /** Where it was taken from. */
  readonly source: string;
  readonly licence: string;
  readonly tags: readonly string[];
  /** Rising by `at`; the first stands at 0. */
  readonly keys: readonly SongKey[];
  /** Rising by `at`; none where the song is in free time. */
  readonly metres: readonly SongMetre[];
  /** Rising by `at`; none where nothing is said. */
  readonly tempos: readonly Tempo[];
  /** One after the other, from 0; at least one. */
  readonly bars: readonly Bar[];
  /** Names of sections in the order in which they are played, where that is not the order in which they stand. */
  readonly order?: readonly string[];
  readonly parts: readonly Part[];
  /** Id of the voice that is the melody. */
  readonly melody: string;
  /** Rising by `at`; each holds until the next. */
  readonly chords: readonly SongChord[];
  /** Where phrases end, so that breath or bellows may turn there; rising. */
  readonly phrases: readonly Ticks[];
}

export interface SongKey {
  readonly at: Ticks;
  readonly tonic: NoteName;
  /** Id of a scale. */
  readonly scale: string;
}

/** A metre as it is written: 6/8 is a count of 6 and a unit of 8. */
export interface SongMetre {
  readonly at: Ticks;
  readonly count: number;
  /** Part of a whole note: 1, 2, 4 … 64. */
  readonly unit: number;
}

export interface Tempo {
  readonly at: Ticks;
  /** What is counted: a dotted quarter in a jig. */
  readonly beat: Ticks;
  /** Counted beats a minute. */
  readonly perMinute: number;
}

/** From one bar line, or sign of repeat, to the next. It is as long as its contents, whatever the metre says. */
export interface Bar {
  readonly length: Ticks;
  /** A section of this name begins here. */
  readonly section?: string;
  /** A repeat begins here. */
  readonly repeatStart?: boolean;
  /** A repeat ends with this bar; how often what it encloses is played in all, 2 as a rule. */
  readonly repeatEnd?: number;
  /** The times at which this bar is played: the first, second … time through the repeat. */
  readonly endings?: readonly number[];
  readonly segno?: boolean;
  /** The coda begins here. */
  readonly coda?: boolean;
  /** Where to go on after this bar: da capo or dal segno, once. */
  readonly jump?: 'start' | 'segno';
  /** After a jump the song ends with this bar. */
  readonly fine?: boolean;
  /** After a jump the song goes on at the coda after this bar. */
  readonly toCoda?: boolean;
  readonly doubleLine?: boolean;
}

export interface Part {
  readonly id: string;
  readonly name: string;
  /** Its notes stand for strokes and have no pitch that could be played elsewhere. */
  readonly percussion?: boolean;
  readonly voices: readonly Voice[];
}

/** Notes of which those of one time are a chord and all others follow each other; where there is none, it rests. */
export interface Voice {
  readonly id: string;
  /** Rising by onset, those of a chord by pitch. */
  readonly notes: readonly SongNote[];
  readonly tuplets: readonly Tuplet[];
}

/** A written note; it lies within one bar, and is tied on where it sounds longer. */
export interface SongNote {
  /** Its own in the song, and kept when other notes change. */
  readonly id: string;
  readonly onset: Ticks;
  /** As it sounds: a third of a quarter in a triplet of eighths. */
  readonly length: Ticks;
  readonly pitch: SpelledPitch;
  /** Tied to the next note of its pitch, where that follows at once. */
  readonly tied?: boolean;
  /** Grace notes before it, in their order. */
  readonly grace?: readonly SpelledPitch[];
  readonly marks?: readonly NoteMark[];
  /** Of each verse what is sung here; null where a verse has nothing. */
  readonly lyrics?: readonly (Syllable | null)[];
}

export const NOTE_MARKS = Object.freeze(['staccato', 'tenuto', 'accent', 'fermata', 'breath'] as const);
export type NoteMark = (typeof NOTE_MARKS)[number];

export interface Syllable {
  readonly text: string;
  /** The word goes on with the next syllable. */
  readonly hyphen?: boolean;
}

/** So many notes in the time of so many: a triplet is 3 in the time of 2. One may lie within another. */
export interface Tuplet {
  readonly onset: Ticks;
  readonly length: Ticks;
  readonly actual: number;
  readonly normal: number;
}

export interface SongChord {
  readonly at: Ticks;
  /** As it is written: `Am7`, `G/B`. */
  readonly symbol: string;
}

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

/** What holds at a time of a list of changes; undefined before the first. */
export function holdingAt<T extends { readonly at: Ticks }>(changes: readonly T[], at: Ticks): T | undefined {
  return changes.findLast((change) => change.at <= at);
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
