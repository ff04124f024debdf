import { signatureSigns } from '../pitch/keySignature.ts';
import { LETTERS } from '../pitch/noteName.ts';
import type { SpelledPitch } from '../pitch/spelledPitch.ts';

/** So many steps of the staff up or down, with the signs of a signature. @param fifths sharps, or negative flats */
export function stepOf({ letter, octave }: SpelledPitch, fifths: number, steps: number): SpelledPitch {
  const at = LETTERS.indexOf(letter) + steps;
  const to = LETTERS[((at % 7) + 7) % 7]!;
  const accidental = signatureSigns(fifths).get(to) ?? 0;
  return { letter: to, accidental, octave: octave + Math.floor(at / 7) };
}
