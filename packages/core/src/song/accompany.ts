import type { Pitch } from '../pitch/pitch.ts';
import { soundingPitch } from '../pitch/spelledPitch.ts';
import type { RoutingContext } from '../route/context.ts';
import type { LineNote } from '../route/line.ts';
import { positionAt } from '../time/metre.ts';
import type { Ticks } from '../time/ticks.ts';
import { chordVoicing } from './chordVoicing.ts';
import { rhythmPlaces } from './rhythmPlaces.ts';
import {
  bassTones,
  bassUnder,
  canSoundTogether,
  chordTones,
  isChordTone,
  risingTones,
  upperTones,
  type BassAt,
} from './underChord.ts';
import { brokenPlaces, brokenTone } from './brokenChord.ts';
import { holdingAt, melodyOf, pitchedVoices, type Song } from './song.ts';
import { metresOfSong } from './songLine.ts';
import { spelledForSong } from './transpose.ts';

/**
 * What is played with the melody: chords with its notes, bass and chords in the rhythm of its dance, chords one note after
 * the other, the melody itself an octave below, or the notes of the song's other voices that begin with its own.
 */
export const STYLES = Object.freeze(['chords', 'rhythm', 'broken', 'octaves', 'written'] as const);
export type Style = (typeof STYLES)[number];

/**
 * How much of it: of chords a note at each change, two on every beat, three with every note; in rhythm the bass, with two
 * notes of the chord, with three; broken on the beats, or between them too; octaves on the beats, with every note, or with
 * a tone of the chord where there is none. Other voices are played whole.
 */
export const FULLNESSES = Object.freeze(['light', 'medium', 'full'] as const);
export type Fullness = (typeof FULLNESSES)[number];

export interface Company {
  readonly style: Style;
  readonly fullness: Fullness;
  /** Ids of notes that are not wanted. */
  readonly without: readonly string[];
}

/** A note that is sounded with one of the melody. */
export interface AddedNote extends LineNote {
  /** Id of the note of the melody it begins with, or that it is played under. */
  readonly under: string;
}

const MOST: Readonly<Record<Fullness, number>> = { light: 1, medium: 2, full: 3 };
/** Most notes of other voices with one of the melody. */
const MOST_WRITTEN = 4;

/**
 * What an instrument can sound with a melody. Only what it can hold together with a way of the melody's note is taken, by
 * the family's own rules: buttons in the melody's bellows direction, neighbouring holes in one breath, strings within a
 * hand. Of a chord the root comes first, as low as it can be had, then fifth and third near the melody.
 * @param line the melody, tied notes as one
 */
export function accompaniment(
  context: RoutingContext,
  song: Song,
  line: readonly LineNote[],
  { style, fullness, without }: Company,
): readonly AddedNote[] {
  const added = {
    chords: () => chordsUnder(context, song, line, fullness),
    rhythm: () => rhythmUnder(context, song, line, fullness),
    broken: () => brokenUnder(context, song, line, fullness),
    octaves: () => octavesUnder(context, song, line, fullness),
    written: () => voicesUnder(context, song, line),
  }[style]();
  const left = new Set(without);
  return added.filter(({ id }) => !left.has(id));
}

/**
 * Notes of the melody that are still held where something is added between them; where what was struck rings on by itself
 * there are none.
 */
export function heldUnder(
  { instrument }: RoutingContext,
  line: readonly LineNote[],
  added: readonly AddedNote[],
): readonly LineNote[] {
  if (instrument.family.ringsOn === 'free') return [];
  const begun = new Set(line.map(({ onset }) => onset));
  const between = [...new Set(added.map(({ onset }) => onset))].filter((onset) => !begun.has(onset));
  return between.flatMap((onset) =>
    soundingAt(line, onset).map(({ id, pitch, onset: since, length }) => ({
      id: `${id}~${onset}`,
      pitch,
      onset,
      length: since + length - onset,
      holds: id,
    })),
  );
}

function soundingAt(line: readonly LineNote[], at: Ticks): readonly LineNote[] {
  return line.filter(({ onset, length }) => onset <= at && at < onset + length);
}

/** Chords with the notes of the melody. */
function chordsUnder(
  context: RoutingContext,
  song: Song,
  line: readonly LineNote[],
  fullness: Fullness,
): readonly AddedNote[] {
  const onsets = [...new Set(line.map(({ onset }) => onset))];
  const wanted = wantedAt(song, fullness, onsets, bassUnder(context, song, line));
  return withNotes(context, song, line, { wanted, most: MOST[fullness] });
}

/** Semitones below a note within which a tone of the chord goes with it in place of its octave, the widest first. */
const SPLITS: readonly number[] = Object.freeze([11, 10, 9, 8, 7, 6, 5, 4, 3]);

/** The melody an octave below, as far as both sound together; in full, with a tone of the chord where they do not. */
function octavesUnder(
  context: RoutingContext,
  song: Song,
  line: readonly LineNote[],
  fullness: Fullness,
): readonly AddedNote[] {
  const isOnBeat = beatsOf(song);
  const wanted = ({ onset, pitch }: LineNote) => {
    if (fullness === 'light' && !isOnBeat(onset)) return [];
    const belongs = (tone: Pitch) => isChordTone(song, onset, tone);
    const splits =
      fullness === 'full' && belongs(pitch) ? SPLITS.map((by) => pitch - by).filter(belongs) : [];
    return [[pitch - 12, ...splits]];
  };
  return withNotes(context, song, line, { wanted, most: 1 });
}

/** Notes of the other voices that begin with the melody. */
function voicesUnder(context: RoutingContext, song: Song, line: readonly LineNote[]): readonly AddedNote[] {
  const at = new Map<Ticks, Pitch[]>();
  const others = pitchedVoices(song).filter(({ id }) => id !== song.melody);
  for (const { onset, pitch } of others.flatMap(({ notes }) => notes))
    at.set(onset, [...(at.get(onset) ?? []), soundingPitch(pitch)]);
  const wanted = ({ onset }: LineNote) => (at.get(onset) ?? []).map((pitch) => [pitch]);
  return withNotes(context, song, line, { wanted, most: MOST_WRITTEN });
}

/** What is wanted with each note of the melody, as far as it can be had. */
function withNotes(
  context: RoutingContext,
  song: Song,
  line: readonly LineNote[],
  {
    wanted,
    most,
  }: { readonly wanted: (note: LineNote) => readonly (readonly Pitch[])[]; readonly most: number },
): readonly AddedNote[] {
  const written = new Map(melodyOf(song).voice.notes.map((note) => [note.id, note.length]));
  const count = new Map<Ticks, number>();
  for (const { onset } of line) count.set(onset, (count.get(onset) ?? 0) + 1);
  /** A tune asks the same again and again. */
  const known = new Map<string, readonly Pitch[]>();
  const addedOnce = (note: LineNote, tones: readonly (readonly Pitch[])[]) => {
    const asked = `${note.pitch}: ${tones.map((choices) => choices.join()).join(' ')}`;
    const found = known.get(asked) ?? addedTo(context, [note.pitch], tones, most);
    known.set(asked, found);
    return found;
  };
  return line.flatMap((note): AddedNote[] => {
    // A melody that has chords of its own is left as it is there.
    const tones = count.get(note.onset) === 1 ? wanted(note) : [];
    return addedOnce(note, tones).map((pitch) => ({
      id: `${note.id}+${pitch}`,
      under: note.id,
      pitch,
      onset: note.onset,
      length: written.get(note.id) ?? note.length,
    }));
  });
}

/** Chords one note after the other; where strings ring on also between the notes of the melody. */
function brokenUnder(
  context: RoutingContext,
  song: Song,
  line: readonly LineNote[],
  fullness: Fullness,
): readonly AddedNote[] {
  const bass = bassUnder(context, song, line);
  const tops = topsOf(line);
  const rings = context.instrument.family.ringsOn;
  const places = brokenPlaces(song, tops, { between: rings !== undefined, onBeats: fullness === 'light' });
  return places.flatMap((place): AddedNote[] => {
    const { note, onset, length } = place;
    // What is not there is no root to rise from.
    const rising = risingTones(song, onset, note.pitch, { bassAt: bass, withOctave: rings === 'free' });
    const tones = brokenTone(
      rising.map((pitches) => pitches.filter(context.has)),
      place,
    );
    const held = note.onset === onset || rings === 'stopped' ? [note.pitch] : [];
    return addedTo(context, held, [tones], 1).map((pitch) => addedAt(note, onset, length, pitch));
  });
}

/** How many tones of the chord stand over the bass. */
const OVER_BASS: Readonly<Record<Fullness, number>> = { light: 0, medium: 2, full: 3 };

/** Bass and chords as the dance has them, also between the notes of the melody. */
function rhythmUnder(
  context: RoutingContext,
  song: Song,
  line: readonly LineNote[],
  fullness: Fullness,
): readonly AddedNote[] {
  const bassAt = bassUnder(context, song, line);
  const tops = topsOf(line);
  const rings = context.instrument.family.ringsOn;
  const voiced = chordVoicing(context);
  return rhythmPlaces(song, tops, fullness !== 'light').flatMap(
    ({ play, note, onset, length }): AddedNote[] => {
      const sounding = soundingAt(line, onset);
      // A melody that has chords of its own is left as it is there.
      if (sounding.length > 1) return [];
      const held = sounding
        .filter((one) => one.onset === onset || rings !== 'free')
        .map(({ pitch }) => pitch);
      const bass = bassAt(onset);
      const found =
        play === 'chord'
          ? voiced(held, { bass, tones: upperTones(song, onset, note.pitch, bassAt) }, OVER_BASS[fullness])
          : addedTo(context, held, [bassTones(song, onset, note.pitch, { bass, play })], 1);
      return found.map((pitch) => addedAt(note, onset, length, pitch));
    },
  );
}

/** The highest note of each onset. */
function topsOf(line: readonly LineNote[]): readonly LineNote[] {
  return line.filter(({ onset }, i) => line[i + 1]?.onset !== onset);
}

function addedAt(note: LineNote, onset: Ticks, length: Ticks, pitch: Pitch): AddedNote {
  return { id: `${note.id}+${pitch}@${onset - note.onset}`, under: note.id, pitch, onset, length };
}

/** Whether a time falls on a beat. */
function beatsOf(song: Song): (onset: Ticks) => boolean {
  const metres = metresOfSong(song);
  return (onset) => {
    const { at, metre } = holdingAt(metres, onset)!;
    return positionAt(metre, onset - at).within === 0;
  };
}

/** Which pitches are wanted with a note: for each tone of a chord those that it can be, the one wanted most first. */
function wantedAt(
  song: Song,
  fullness: Fullness,
  onsets: readonly Ticks[],
  bass: BassAt,
): (note: LineNote) => readonly (readonly Pitch[])[] {
  const metres = metresOfSong(song);
  const isOnBeat = beatsOf(song);
  const changes = new Set(song.chords.flatMap(({ at }) => onsets.find((onset) => onset >= at) ?? []));
  return ({ onset, pitch, length }) => {
    const { metre } = holdingAt(metres, onset)!;
    const onBeat = isOnBeat(onset);
    // A short note beside the chord passes over it.
    const passes = length < metre.beat && !isChordTone(song, onset, pitch);
    const often = fullness === 'full' || (fullness === 'medium' && onBeat);
    return changes.has(onset) || (often && !passes) ? chordTones(song, onset, pitch, bass) : [];
  };
}

/** What of some tones can be held together with what is held, each tone by the first of its pitches with which that goes. */
function addedTo(
  context: RoutingContext,
  held: readonly Pitch[],
  tones: readonly (readonly Pitch[])[],
  most: number,
): readonly Pitch[] {
  let kept: readonly Pitch[] = [];
  for (const choices of tones) {
    if (kept.length >= most) break;
    const next = choices.find(
      (choice) =>
        ![...held, ...kept].includes(choice) && canSoundTogether(context, [...held, ...kept, choice]),
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
