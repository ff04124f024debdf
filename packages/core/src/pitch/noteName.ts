import { fail, ok, shown, type Result } from '../result.ts';
import { octaveOf, pitchClass, type Pitch, type PitchClass } from './pitch.ts';

/** Letters in their order round the octave from C. */
export const LETTERS = Object.freeze(['C', 'D', 'E', 'F', 'G', 'A', 'B'] as const);
export type Letter = (typeof LETTERS)[number];

/** Semitones of the natural letters above C (the white keys). */
export const NATURALS: Readonly<Record<Letter, PitchClass>> = Object.freeze({
  C: 0,
  D: 2,
  E: 4,
  F: 5,
  G: 7,
  A: 9,
  B: 11,
});

/** A spelled note without octave: a letter and its accidental in semitones (−1 flat, +1 sharp, ±2 double). */
export interface NoteName {
  readonly letter: Letter;
  readonly accidental: number;
}

const SIGNS: Readonly<Record<string, number>> = Object.freeze({
  '♯': 1,
  '#': 1,
  '♭': -1,
  b: -1,
  '♮': 0,
  '𝄪': 2,
  '𝄫': -2,
  x: 2,
});

export function notePitchClass(note: NoteName): PitchClass {
  return pitchClass(NATURALS[note.letter] + note.accidental);
}

/** Text of accidentals: ♯, ♭, ♯♯, ♭♭; empty for a natural. */
export function accidentalText(accidental: number): string {
  return (accidental < 0 ? '♭' : '♯').repeat(Math.abs(accidental));
}

/** E.g. `E♭`. Double accidentals are written as two signs, which every reader of one sign can read. */
export function noteText(note: NoteName): string {
  return note.letter + accidentalText(note.accidental);
}

/** The note in plain ASCII, for links and files: `Eb`, `F#`. */
export function noteCode(note: NoteName): string {
  return note.letter + (note.accidental < 0 ? 'b' : '#').repeat(Math.abs(note.accidental));
}

/**
 * Reads a note name: a letter A to G in either case, then any of ♯ # ♭ b ♮ x, or the words sharp and flat.
 * At most two sharps or flats. The problem's position is the index of the first character that is wrong.
 */
export function parseNote(text: string): Result<NoteName> {
  const trimmed = text.trim();
  const words = trimmed.replace(/\s*-?\s*(sharp)$/i, '#').replace(/\s*-?\s*(flat)$/i, 'b');
  const [first = '', ...rest] = [...words];
  const letter = LETTERS.find((l) => l === first.toUpperCase());
  const wrongAt = (position: number, wrong: string) =>
    fail({
      field: '',
      position,
      wrong: shown(wrong),
      message:
        trimmed === ''
          ? 'Type a note: a letter A to G, with ♯ or ♭ if it has one.'
          : `“${shown(wrong)}” is not part of a note name. Type a letter A to G, then ♯ or ♭ (# or b will do).`,
    });
  if (!letter) return wrongAt(0, first || trimmed);
  let accidental = 0;
  for (const [index, sign] of rest.entries()) {
    const step = SIGNS[sign];
    if (step === undefined) return wrongAt(index + 1, rest.slice(index).join(''));
    accidental += step;
  }
  if (Math.abs(accidental) > 2) return wrongAt(1, rest.join(''));
  return ok({ letter, accidental });
}

/** Which of a letter's octaves a pitch belongs to when spelled so: C♭4 sounds as B3, so its octave is 4. */
export function spelledOctave(note: NoteName, pitch: Pitch): number {
  return octaveOf(pitch - note.accidental);
}

/** The note of a given letter that sounds as the pitch class, with the fewest accidentals (−6…5 semitones). */
export function spellAs(letter: Letter, target: PitchClass): NoteName {
  const difference = pitchClass(target - NATURALS[letter]);
  return { letter, accidental: difference > 6 ? difference - 12 : difference };
}

/** Scale steps up from one letter to another, 0 to 6. */
export function letterSteps(from: Letter, to: Letter): number {
  return (LETTERS.indexOf(to) - LETTERS.indexOf(from) + 7) % 7;
}

/** Letter a number of scale steps above another; steps may be any whole number. */
export function letterAbove(letter: Letter, steps: number): Letter {
  const index = (((LETTERS.indexOf(letter) + steps) % 7) + 7) % 7;
  return LETTERS[index]!;
}

const SHARP_NAMES: readonly NoteName[] = Object.freeze(
  (['C', 'C', 'D', 'D', 'E', 'F', 'F', 'G', 'G', 'A', 'A', 'B'] as const).map((letter, pc) =>
    spellAs(letter, pc),
  ),
);
const FLAT_NAMES: readonly NoteName[] = Object.freeze(
  (['C', 'D', 'D', 'E', 'E', 'F', 'G', 'G', 'A', 'A', 'B', 'B'] as const).map((letter, pc) =>
    spellAs(letter, pc),
  ),
);

export function sharpName(pc: PitchClass): NoteName {
  return SHARP_NAMES[pitchClass(pc)]!;
}

export function flatName(pc: PitchClass): NoteName {
  return FLAT_NAMES[pitchClass(pc)]!;
}

/**
 * How notes are named on screen. `key`: as the key spells them; `simple`: the twelve plain names, neither
 * double accidentals nor F♭, C♭, E♯ and B♯; `sharps`: sharps only.
 */
export type NamingStyle = 'key' | 'simple' | 'sharps';

/** The same pitch class under another naming habit; the spelling kept in the data is not touched. */
export function respell(note: NoteName, style: NamingStyle): NoteName {
  if (style === 'sharps') return sharpName(notePitchClass(note));
  if (style === 'key') return note;
  return note.accidental > 0 ? sharpName(notePitchClass(note)) : flatName(notePitchClass(note));
}

/** A pitch with octave as text, e.g. `A♭3`, spelled with flats unless a spelling is given. */
export function pitchText(pitch: Pitch, note: NoteName = flatName(pitch)): string {
  return noteText(note) + String(spelledOctave(note, pitch));
}

/** Reads a pitch such as `Eb3` or `F♯4` (scientific octaves, C4 = 60). */
export function parsePitch(text: string): Result<Pitch> {
  const match = /^(.*?)(-?\d+)$/u.exec(text.trim());
  if (!match) {
    const position = text.length;
    const message = `Type a note with its octave, for example E♭3 (middle C is C4).`;
    return fail({ field: '', position, wrong: shown(text), message });
  }
  const note = parseNote(match[1]!);
  if (!note.ok) return note;
  return ok(NATURALS[note.value.letter] + note.value.accidental + 12 * (Number(match[2]) + 1));
}
