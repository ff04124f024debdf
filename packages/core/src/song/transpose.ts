import {
  letterAbove,
  letterSteps,
  notePitchClass,
  noteText,
  parseNote,
  spellAs,
  type NoteName,
} from '../pitch/noteName.ts';
import { pitchClass } from '../pitch/pitch.ts';
import { soundingPitch, spelledAt, spelledIn, type SpelledPitch } from '../pitch/spelledPitch.ts';
import { expectOk } from '../result.ts';
import { scaleById, usualTonic } from '../scale/scale.ts';
import { fifthsOfSongKey } from './songKey.ts';
import { mapNotes, type Song } from './song.ts';

/** Two accidentals at most are written; what needs more takes a simpler name. */
export const ACCIDENTALS_LIMIT = 2;

/** The tonic a song has when it is moved by so many semitones, under its usual name. */
export function movedTonic({ keys: [key] }: Pick<Song, 'keys'>, semitones: number): NoteName {
  if (semitones % 12 === 0) return key!.tonic;
  return usualTonic(expectOk(scaleById(key!.scale)), pitchClass(notePitchClass(key!.tonic) + semitones));
}

/**
 * A song moved by so many semitones: every note keeps its degree and is named by it in the new key, and so are keys and
 * chords. Pitches beyond MIDI's are left where an octave brings them back.
 * @param semitones any whole number; 12 is an octave up
 */
export function transposed(song: Song, semitones: number): Song {
  if (!Number.isInteger(semitones)) throw new Error(`transposed: no whole number of semitones: ${semitones}`);
  if (semitones === 0) return song;
  const from = song.keys[0]!.tonic;
  const to = movedTonic(song, semitones);
  const steps = letterSteps(from.letter, to.letter);
  const name = (note: NoteName): NoteName => {
    const moved = spellAs(letterAbove(note.letter, steps), pitchClass(notePitchClass(note) + semitones));
    return Math.abs(moved.accidental) > ACCIDENTALS_LIMIT ? simple(moved) : moved;
  };
  const pitch = (written: SpelledPitch): SpelledPitch => {
    const moved = spelledAt(soundingPitch(written) + semitones, name(written));
    return within(moved);
  };
  const keys = song.keys.map((key) => ({ ...key, tonic: name(key.tonic) }));
  return {
    ...mapNotes(song, (note) => ({
      ...note,
      pitch: pitch(note.pitch),
      ...(note.grace && { grace: note.grace.map(pitch) }),
    })),
    keys,
    chords: song.chords.map((chord) => ({ ...chord, symbol: movedSymbol(chord.symbol, name) })),
  };
}

function simple(note: NoteName): NoteName {
  const { letter, accidental } = spelledIn(60 + notePitchClass(note), note.accidental);
  return { letter, accidental };
}

function within(pitch: SpelledPitch): SpelledPitch {
  const sounds = soundingPitch(pitch);
  const octaves = sounds < 0 ? Math.ceil(-sounds / 12) : sounds > 127 ? -Math.ceil((sounds - 127) / 12) : 0;
  return octaves === 0 ? pitch : { ...pitch, octave: pitch.octave + octaves };
}

const ROOT = /^([A-G](?:[b♭#♯]{0,2}))(?![a-z]*\.)/u;

/** Root and bass of a chord symbol under their new names; what is no symbol stays as it is. */
function movedSymbol(symbol: string, name: (note: NoteName) => NoteName): string {
  const moved = (text: string) => {
    const root = ROOT.exec(text)?.[1];
    const note = root && parseNote(root);
    return note && note.ok ? noteText(name(note.value)) + text.slice(root.length) : text;
  };
  return symbol.split('/').map(moved).join('/');
}

/** A pitch as the signature of a song's key spells it. */
export function spelledForSong(pitch: number, key: Song['keys'][number]): SpelledPitch {
  return spelledIn(pitch, fifthsOfSongKey(key));
}
