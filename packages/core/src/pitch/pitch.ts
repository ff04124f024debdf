/** A pitch as whole semitones, MIDI numbering: C4 = 60, A4 = 69. */
export type Pitch = number;

/** A pitch class 0…11, C = 0. */
export type PitchClass = number;

/** Lowest and highest pitch an instrument part may have: C1 to C9, beyond any instrument served. */
export const PITCH_RANGE = Object.freeze({ lowest: 24, highest: 120 });

export const MIDDLE_C: Pitch = 60;

/** Looked up once: pitch classes are taken millions of times. */
const { isInteger } = Number;

/** Concert pitch in Hz for A4 when nothing else is said. */
export const STANDARD_A4 = 440;

/** Range of A4 accepted, in Hz. Old concertinas stand near 452.5; low historical pitch near 392. */
export const A4_RANGE = Object.freeze({ lowest: 390, highest: 470 });

/** Remainder that is never negative. @throws on a non-integer. */
export function pitchClass(semitones: number): PitchClass {
  if (!isInteger(semitones)) throw new Error(`pitchClass: not a whole number of semitones: ${semitones}`);
  return ((semitones % 12) + 12) % 12;
}

/** Scientific octave number: C4 = 60 is in octave 4. */
export function octaveOf(pitch: Pitch): number {
  return Math.floor(pitch / 12) - 1;
}

/**
 * Frequency in Hz.
 * @param pitch semitones, MIDI numbering
 * @param a4 Hz of A4
 * @param cents deviation from equal temperament
 */
export function frequency(pitch: Pitch, a4: number = STANDARD_A4, cents = 0): number {
  return a4 * 2 ** ((pitch - 69 + cents / 100) / 12);
}

/** How many cents a standard of `a4` Hz lies above (or, negative, below) A4 = 440 Hz. */
export function centsFromStandard(a4: number): number {
  if (!(a4 > 0)) throw new Error(`centsFromStandard: A4 must be above 0 Hz: ${a4}`);
  return 1200 * Math.log2(a4 / STANDARD_A4);
}
