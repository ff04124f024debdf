import { fifthsOf, keySignature } from '../pitch/keySignature.ts';
import {
  LETTERS,
  letterAbove,
  notePitchClass,
  respell,
  spellAs,
  spelledOctave,
  type Letter,
  type NamingStyle,
  type NoteName,
} from '../pitch/noteName.ts';
import { pitchClass, type Pitch } from '../pitch/pitch.ts';
import { aboveHome, modeOf, type Key } from '../scale/scale.ts';
import { CLEF_IDS, CLEFS, SIGNATURE_PLACES, type ClefId } from './clefs.ts';

/** A sign of the key signature: ♯ or ♭ at a place. */
export interface SignatureSign {
  readonly sign: 1 | -1;
  readonly place: number;
}

/** A note on the staff. Places are steps above the middle line: lines are even, spaces odd, the staff is −4…4. */
export interface StaffNote {
  readonly place: number;
  /** Places of its ledger lines, the nearest to the staff first. */
  readonly ledgers: readonly number[];
  /** Written before it: −2…2 semitones, 0 a natural; undefined where the signature says it already. */
  readonly sign: number | undefined;
}

/** A line of notes on a staff, without bars: a sign holds for its place until another one stands there. */
export interface Staff {
  readonly clef: ClefId;
  readonly signature: readonly SignatureSign[];
  readonly notes: readonly StaffNote[];
}

/**
 * Writes pitches in a key as common notation at sounding pitch, in the clef that needs fewest ledger lines. A note that
 * differs from the signature carries its sign every time, and a natural where its place was altered before.
 */
export function staffOf(key: Key, naming: NamingStyle, pitches: readonly Pitch[]): Staff {
  const notes = pitches.map((pitch) => {
    const name = respell(key.names[aboveHome(key, pitch)]!, naming);
    return { name, step: 7 * spelledOctave(name, pitch) + LETTERS.indexOf(name.letter) };
  });
  const clef = clefFor(notes.map((note) => note.step));
  const altered = signatureOf(key, naming);
  const own = new Map<Letter, number>(altered.map(({ letter, accidental }) => [letter, accidental]));
  const standing = new Map<number, number>();
  return {
    clef,
    signature: signatureSigns(altered, clef),
    notes: notes.map(({ name, step }) => {
      const usual = own.get(name.letter) ?? 0;
      const now = standing.get(step) ?? usual;
      standing.set(step, name.accidental);
      const place = step - middleStep(clef);
      const said = name.accidental === usual && name.accidental === now;
      return { place, ledgers: ledgersOf(place), sign: said ? undefined : name.accidental };
    }),
  };
}

/** Steps of the clef's middle line above C0. */
function middleStep(clef: ClefId): number {
  const { letter, octave } = CLEFS[clef].middle;
  return 7 * octave + LETTERS.indexOf(letter);
}

function ledgersOf(place: number): number[] {
  const lines: number[] = [];
  for (let line = 6; line <= Math.abs(place); line += 2) lines.push(Math.sign(place) * line);
  return lines;
}

/** The clef with fewest ledger lines, a more usual one for a little more. */
function clefFor(steps: readonly number[]): ClefId {
  const cost = (clef: ClefId) => {
    const lines = steps.reduce((sum, step) => sum + ledgersOf(step - middleStep(clef)).length, 0);
    return lines / Math.max(1, steps.length) + CLEFS[clef].reluctance;
  };
  return CLEF_IDS.reduce((best, next) => (cost(next) < cost(best) ? next : best));
}

/**
 * The altered notes of the key signature: that of the major scale of which this is a mode; else of the minor key where
 * the scale has a minor third and no major one, and of the major key in all other cases. Empty beyond seven signs, and
 * for flats where everything is to be named with sharps.
 */
function signatureOf(key: Key, naming: NamingStyle): readonly NoteName[] {
  const major = majorOf(key);
  const fifths = fifthsOf(major);
  if (Math.abs(fifths) > 7 || (naming === 'sharps' && fifths < 0)) return [];
  return keySignature(major).altered;
}

function majorOf({ scale, tonic }: Key): NoteName {
  const mode = modeOf(scale);
  if (mode && (mode.parent.id === 'major' || mode.parent.id === 'major-pentatonic')) {
    const number = mode.parent.degrees[mode.degree - 1]!.number;
    return spellAs(letterAbove(tonic.letter, 1 - number), pitchClass(notePitchClass(tonic) - mode.semitones));
  }
  const minor = scale.semitones.includes(3) && !scale.semitones.includes(4);
  return minor ? spellAs(letterAbove(tonic.letter, 2), pitchClass(notePitchClass(tonic) + 3)) : tonic;
}

function signatureSigns(altered: readonly NoteName[], clef: ClefId): SignatureSign[] {
  return altered.map(({ accidental }, i) => {
    const sign = accidental > 0 ? 1 : -1;
    const places = sign > 0 ? SIGNATURE_PLACES.sharps : SIGNATURE_PLACES.flats;
    return { sign, place: places[i]! - CLEFS[clef].signatureLower };
  });
}
