import type { Pitch } from '../pitch/pitch.ts';
import { soundingPitch } from '../pitch/spelledPitch.ts';
import type { RoutingContext } from '../route/context.ts';
import type { LineNote } from '../route/line.ts';
import { positionAt } from '../time/metre.ts';
import type { Ticks } from '../time/ticks.ts';
import {
  bassUnder,
  canSoundTogether,
  chordTones,
  isChordTone,
  risingTones,
  type BassAt,
} from './underChord.ts';
import { brokenPlaces, brokenTone } from './brokenChord.ts';
import { holdingAt, melodyOf, pitchedVoices, type Song } from './song.ts';
import { metresOfSong } from './songLine.ts';
import { spelledForSong } from './transpose.ts';

/**
 * How much is played with the melody: the notes of the song's other voices that begin with its own; or of its chords a
 * note at each change, two on every beat, three with every note, or one after the other.
 */
export const FULLNESSES = Object.freeze(['written', 'light', 'medium', 'full', 'broken'] as const);
export type Fullness = (typeof FULLNESSES)[number];

/** A note that is sounded with one of the melody. */
export interface AddedNote extends LineNote {
  /** Id of the note of the melody it begins with, or that it is played under. */
  readonly under: string;
}

const MOST: Readonly<Record<Fullness, number>> = { written: 4, light: 1, medium: 2, full: 3, broken: 1 };

/**
 * What an instrument can sound with a melody. Only what it can hold together with a way of the melody's note is taken, by
 * the family's own rules: buttons in the melody's bellows direction, neighbouring holes in one breath, strings within a
 * hand. Of a chord the root comes first, as low as it can be had, then fifth and third near the melody.
 * @param line the melody, tied notes as one @param without ids of notes that are not wanted
 */
export function accompaniment(
  context: RoutingContext,
  song: Song,
  line: readonly LineNote[],
  fullness: Fullness,
  without: ReadonlySet<string> = new Set(),
): readonly AddedNote[] {
  const written = new Map(melodyOf(song).voice.notes.map((note) => [note.id, note.length]));
  const count = new Map<Ticks, number>();
  for (const { onset } of line) count.set(onset, (count.get(onset) ?? 0) + 1);
  const bass = bassUnder(context, song, line);
  if (fullness === 'broken')
    return brokenUnder(context, song, line, bass).filter(({ id }) => !without.has(id));
  const wanted = wantedAt(song, fullness, [...count.keys()], bass);
  /** A tune asks the same again and again. */
  const known = new Map<string, readonly Pitch[]>();
  const addedOnce = (note: LineNote, tones: readonly (readonly Pitch[])[]) => {
    const asked = `${note.pitch}: ${tones.map((choices) => choices.join()).join(' ')}`;
    const found = known.get(asked) ?? addedTo(context, note, tones, MOST[fullness]);
    known.set(asked, found);
    return found;
  };
  return line.flatMap((note): AddedNote[] => {
    // A melody that has chords of its own is left as it is there.
    const tones = count.get(note.onset) === 1 ? wanted(note) : [];
    const found = addedOnce(note, tones);
    return found
      .map((pitch) => ({
        id: `${note.id}+${pitch}`,
        under: note.id,
        pitch,
        onset: note.onset,
        length: written.get(note.id) ?? note.length,
      }))
      .filter(({ id }) => !without.has(id));
  });
}

/** Chords one note after the other; where strings ring on also between the notes of the melody. */
function brokenUnder(
  context: RoutingContext,
  song: Song,
  line: readonly LineNote[],
  bass: BassAt,
): readonly AddedNote[] {
  const tops = line.filter(({ onset }, i) => line[i + 1]?.onset !== onset);
  const places = brokenPlaces(song, tops, context.instrument.family.ringsOn ?? false);
  return places.flatMap(({ note, onset, length, turn }): AddedNote[] => {
    // What is not there is no root to rise from.
    const there = risingTones(song, onset, note.pitch, bass).map((pitches) => pitches.filter(context.has));
    const tones = brokenTone(there, turn);
    const pitches = note.onset === onset ? addedTo(context, note, [tones], 1) : tones.slice(0, 1);
    return pitches.map((pitch) => ({
      id: `${note.id}+${pitch}@${onset - note.onset}`,
      under: note.id,
      pitch,
      onset,
      length,
    }));
  });
}

/** Which pitches are wanted with a note: for each tone of a chord those that it can be, the one wanted most first. */
function wantedAt(
  song: Song,
  fullness: Fullness,
  onsets: readonly Ticks[],
  bass: BassAt,
): (note: LineNote) => readonly (readonly Pitch[])[] {
  if (fullness === 'written') {
    const others = pitchedVoices(song)
      .filter(({ id }) => id !== song.melody)
      .flatMap(({ notes }) => notes);
    const at = new Map<Ticks, Pitch[]>();
    for (const { onset, pitch } of others) at.set(onset, [...(at.get(onset) ?? []), soundingPitch(pitch)]);
    return ({ onset }) => (at.get(onset) ?? []).map((pitch) => [pitch]);
  }
  const metres = metresOfSong(song);
  const changes = new Set(song.chords.flatMap(({ at }) => onsets.find((onset) => onset >= at) ?? []));
  return ({ onset, pitch, length }) => {
    const { at, metre } = holdingAt(metres, onset)!;
    const onBeat = positionAt(metre, onset - at).within === 0;
    // A short note beside the chord passes over it.
    const passes = length < metre.beat && !isChordTone(song, onset, pitch);
    const often = fullness === 'full' || (fullness === 'medium' && onBeat);
    return changes.has(onset) || (often && !passes) ? chordTones(song, onset, pitch, bass) : [];
  };
}

/** What of some tones can be held together with a note, each tone by the first of its pitches with which that goes. */
function addedTo(
  context: RoutingContext,
  { pitch }: LineNote,
  tones: readonly (readonly Pitch[])[],
  most: number,
): readonly Pitch[] {
  let kept: readonly Pitch[] = [];
  for (const choices of tones) {
    if (kept.length >= most) break;
    const next = choices.find(
      (choice) => !kept.includes(choice) && canSoundTogether(context, [pitch, ...kept, choice]),
    );
    if (next !== undefined) kept = [...kept, next];
  }
  return kept;
}

/** Id of the voice that what is added makes in a song. */
export const ADDED_VOICE = 'added';

/** A song with a voice of what is added, so that it is heard and written out with it. */
export function withAdded(song: Song, added: readonly AddedNote[]): Song {
  if (added.length === 0) return song;
  const notes = added.map(({ id, onset, length, pitch }) => ({
    id,
    onset,
    length,
    pitch: spelledForSong(pitch, holdingAt(song.keys, onset)!),
  }));
  const sorted = notes.sort((a, b) => a.onset - b.onset || soundingPitch(a.pitch) - soundingPitch(b.pitch));
  // What is added under a tuplet of the melody is written in it.
  const tuplets = melodyOf(song).voice.tuplets.filter(({ onset, length }) =>
    sorted.some((note) => note.onset >= onset && note.onset < onset + length),
  );
  const voice = { id: ADDED_VOICE, notes: sorted, tuplets };
  return { ...song, parts: [...song.parts, { id: ADDED_VOICE, name: 'With the melody', voices: [voice] }] };
}
