import {
  flatName,
  NATURALS,
  noteText,
  sharpName,
  spelledOctave,
  type Letter,
  type NoteName,
} from './noteName.ts';
import type { Pitch } from './pitch.ts';

/** A note as it is written: letter, accidental and octave. Middle C is C4; the B sharp below it is B♯3. */
export interface SpelledPitch extends NoteName {
  readonly octave: number;
}

/** What a written note sounds, in semitones: C4 = 60. */
export function soundingPitch({ letter, accidental, octave }: SpelledPitch): Pitch {
  return NATURALS[letter] + accidental + 12 * (octave + 1);
}

/** A pitch under a name that sounds so. @throws where the name is of another pitch class */
export function spelledAt(pitch: Pitch, name: NoteName): SpelledPitch {
  const { letter, accidental } = name;
  const spelled = { letter, accidental, octave: spelledOctave(name, pitch) };
  if (soundingPitch(spelled) !== pitch)
    throw new Error(`spelledAt: ${noteText(name)} does not sound as ${pitch}`);
  return spelled;
}

/**
 * A pitch spelled as a key signature has it where it does, otherwise with the signature's kind of sign.
 * @param fifths sharps, or negative flats, of the signature
 */
export function spelledIn(pitch: Pitch, fifths: number): SpelledPitch {
  return spelledAt(pitch, fifths < 0 ? flatName(pitch) : sharpName(pitch));
}

/** The steps of the staff from C0: E4 is 30. */
export function staffStep({ letter, octave }: Pick<SpelledPitch, 'letter' | 'octave'>): number {
  return 7 * octave + LETTER_STEPS[letter];
}

const LETTER_STEPS: Readonly<Record<Letter, number>> = Object.freeze({
  C: 0,
  D: 1,
  E: 2,
  F: 3,
  G: 4,
  A: 5,
  B: 6,
});

/** E.g. `F♯4`. */
export function spelledText(pitch: SpelledPitch): string {
  return noteText(pitch) + String(pitch.octave);
}
