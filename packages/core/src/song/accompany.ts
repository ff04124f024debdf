import { parseChord } from '../harmony/chord.ts';
import { notePitchClass } from '../pitch/noteName.ts';
import { pitchClass, type Pitch } from '../pitch/pitch.ts';
import { soundingPitch } from '../pitch/spelledPitch.ts';
import type { RoutingContext } from '../route/context.ts';
import { chordHolds } from '../route/holds.ts';
import type { LineNote } from '../route/line.ts';
import { positionAt } from '../time/metre.ts';
import type { Ticks } from '../time/ticks.ts';
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

/** How far below the melody notes of its chord are looked for, in semitones. */
const BELOW = 28;
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
  if (fullness === 'broken') return brokenUnder(context, song, line).filter(({ id }) => !without.has(id));
  const wanted = wantedAt(song, fullness, [...count.keys()]);
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
function brokenUnder(context: RoutingContext, song: Song, line: readonly LineNote[]): readonly AddedNote[] {
  const tops = line.filter(({ onset }, i) => line[i + 1]?.onset !== onset);
  const places = brokenPlaces(song, tops, context.instrument.family.ringsOn ?? false);
  return places.flatMap(({ note, onset, length, turn }): AddedNote[] => {
    // What is not there is no root to rise from.
    const there = tonesUnder(song, onset, note.pitch).map((pitches) => pitches.filter(context.has));
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
  return ({ onset, pitch }) => {
    const { at, metre } = holdingAt(metres, onset)!;
    const onBeat = positionAt(metre, onset - at).within === 0;
    const chosen = changes.has(onset) || fullness === 'full' || (fullness === 'medium' && onBeat);
    return chosen ? tonesUnder(song, onset, pitch) : [];
  };
}

/** Root, fifth, third and seventh of the chord that holds, below a pitch. */
function tonesUnder(song: Song, onset: Ticks, melody: Pitch): readonly (readonly Pitch[])[] {
  const symbol = holdingAt(song.chords, onset)?.symbol;
  const { tonic } = holdingAt(song.keys, onset)!;
  const chord = symbol === undefined ? undefined : parseChord(symbol, tonic);
  if (!chord?.ok || !chord.value.root) return [];
  const home = notePitchClass(tonic);
  const [root, third, fifth, ...others] = chord.value.tones.map((tone) => pitchClass(home + tone));
  return [root, fifth, third, ...others].flatMap((tone, i) => {
    if (tone === undefined) return [];
    const all: Pitch[] = [];
    for (let pitch = melody - 1; pitch >= melody - BELOW; pitch -= 1)
      if (pitchClass(pitch) === tone) all.push(pitch);
    // The root lies as low as can be, the others near the melody.
    return [i === 0 ? all.reverse() : all];
  });
}

function addedTo(
  { instrument, has, open }: RoutingContext,
  { pitch }: LineNote,
  tones: readonly (readonly Pitch[])[],
  most: number,
): readonly Pitch[] {
  if (!has(pitch)) return [];
  let kept: readonly Pitch[] = [];
  for (const choices of tones) {
    if (kept.length >= most) break;
    const next = choices.find((choice) => {
      if (!has(choice) || choice === pitch || kept.includes(choice)) return false;
      const all = [pitch, ...kept, choice].sort((a, b) => a - b);
      const chord = all.map((one) => ({ pitch: one, open: open(one, true) }));
      return (
        chord.every((one) => one.open.length > 0) && chordHolds(instrument, chord, all).left.length === 0
      );
    });
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
