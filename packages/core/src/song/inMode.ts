import { chordOn, chordSymbol, parseChord, type Chord } from '../harmony/chord.ts';
import { QUALITIES, type QualityId } from '../harmony/qualities.ts';
import { letterAbove, letterSteps, notePitchClass, spellAs, type NoteName } from '../pitch/noteName.ts';
import { pitchClass } from '../pitch/pitch.ts';
import { soundingPitch, spelledIn, type SpelledPitch } from '../pitch/spelledPitch.ts';
import { expectOk } from '../result.ts';
import { scaleById, SCALES, usualTonic, type Scale } from '../scale/scale.ts';
import { holdingAt, mapNotes, type Song, type SongKey } from './song.ts';
import { ACCIDENTALS_LIMIT, transposed } from './transpose.ts';

/** Modes a song can be put into, that of its own key among them; empty where its scale has no seven degrees. */
export function modesFor({ keys }: Pick<Song, 'keys'>): readonly Scale[] {
  return keys.every(({ scale }) => hasSeven(scaleOf(scale))) ? SCALES.filter(hasSeven) : [];
}

function hasSeven({ semitones }: Scale): boolean {
  return semitones.length === 7;
}

/** Whether an id is that of a scale into which songs can be put. */
export function isMode(id: string): boolean {
  return SCALES.some((scale) => scale.id === id && hasSeven(scale));
}

function scaleOf(id: string): Scale {
  return expectOk(scaleById(id));
}

/**
 * A song in another mode on the same home: every note keeps its degree and what it is raised or lowered by, so that the
 * third of major becomes the third of Dorian. Chords that are built of the scale's own degrees are built of the new
 * ones; all others keep their kind. Keys that a song changes to take the mode too.
 * @throws for a mode or a song whose scale has not seven degrees
 */
export function inMode(song: Song, mode: string): Song {
  const to = scaleOf(mode);
  if (!hasSeven(to) || modesFor(song).length === 0)
    throw new Error(`inMode: no seven degrees to put into ${mode}`);
  const keyAt = (at: number): SongKey => holdingAt(song.keys, at) ?? song.keys[0]!;
  const moved = {
    ...mapNotes(song, (note) => {
      const key = keyAt(note.onset);
      const pitch = (written: SpelledPitch) => pitchInMode(written, key.tonic, scaleOf(key.scale), to);
      return { ...note, pitch: pitch(note.pitch), ...(note.grace && { grace: note.grace.map(pitch) }) };
    }),
    chords: song.chords.map((chord) => {
      const key = keyAt(chord.at);
      return { ...chord, symbol: chordInMode(chord.symbol, key.tonic, scaleOf(key.scale), to) };
    }),
  };
  const keys = song.keys.map((key) => ({ ...key, scale: mode }));
  // Home keeps its pitch and takes the name that is usual in the mode: D♭ major becomes C♯ Dorian.
  const usual = usualTonic(to, notePitchClass(keys[0]!.tonic));
  return usual.letter === keys[0]!.tonic.letter ? { ...moved, keys } : renamed({ ...moved, keys }, usual);
}

/** The same pitches with home under another name. */
function renamed(song: Song, home: NoteName): Song {
  const [first] = song.keys;
  const steps = letterSteps(first!.tonic.letter, home.letter);
  const name = (note: NoteName) => spellAs(letterAbove(note.letter, steps), notePitchClass(note));
  const pitch = (written: SpelledPitch): SpelledPitch => {
    const named = name(written);
    const octave = { ...named, octave: written.octave };
    const away = Math.round((soundingPitch(written) - soundingPitch(octave)) / 12);
    return { ...octave, octave: written.octave + away };
  };
  return {
    ...mapNotes(song, (note) => ({
      ...note,
      pitch: pitch(note.pitch),
      ...(note.grace && { grace: note.grace.map(pitch) }),
    })),
    keys: song.keys.map((key) => ({ ...key, tonic: name(key.tonic) })),
    chords: song.chords.map((chord) => {
      const read = parseChord(chord.symbol, first!.tonic);
      return read.ok ? { ...chord, symbol: chordSymbol(read.value, home) } : chord;
    }),
  };
}

function pitchInMode(written: SpelledPitch, tonic: NoteName, from: Scale, to: Scale): SpelledPitch {
  const degree = letterSteps(tonic.letter, written.letter);
  const accidental = written.accidental + to.semitones[degree]! - from.semitones[degree]!;
  const moved = { ...written, accidental };
  return Math.abs(accidental) > ACCIDENTALS_LIMIT ? spelledIn(soundingPitch(moved), accidental) : moved;
}

/** Triads and sevenths of a scale, by their degree from 0. */
function ownChord(scale: Scale, degree: number, tones: number): QualityId | undefined {
  const root = scale.semitones[degree]!;
  const built = Array.from({ length: tones }, (_, i) =>
    pitchClass(scale.semitones[(degree + 2 * i) % 7]! - root),
  );
  return QUALITIES.find(({ tones: known }) => known.join() === built.join())?.id;
}

function chordInMode(symbol: string, tonic: NoteName, from: Scale, to: Scale): string {
  const read = parseChord(symbol, tonic);
  if (!read.ok || !read.value.root) return symbol;
  const { root, quality, bass, tones } = read.value;
  const degree = root.number - 1;
  const onDegree = (note: NonNullable<Chord['bass']>) => {
    const by = to.semitones[note.number - 1]! - from.semitones[note.number - 1]!;
    return { ...note, alter: note.alter + by };
  };
  const isOwn = ownChord(from, degree, tones.length) === quality && from.semitones[degree] === tones[0];
  const kind = (isOwn ? ownChord(to, degree, tones.length) : undefined) ?? quality;
  return chordSymbol(chordOn(onDegree(root), kind, bass && onDegree(bass)), tonic);
}

/** A song in a mode, where it has the seven degrees that takes; otherwise as it is. @param mode its own when left out */
export function inModeIfAny(song: Song, mode: string | undefined): Song {
  const isOwn = mode === undefined || mode === song.keys[0]!.scale;
  return isOwn || modesFor(song).length === 0 ? song : inMode(song, mode);
}

/** A song put into a mode, and moved by so many semitones. */
export function movedTo(song: Song, transpose: number, mode?: string): Song {
  return transposed(inModeIfAny(song, mode), transpose);
}
