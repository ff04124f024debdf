import { accidentalText } from '../pitch/noteName.ts';

/** A degree against the major scale: number 1…7 and how many semitones it is raised or lowered. */
export interface Degree {
  readonly number: number;
  readonly alter: number;
  /** Meant to lie between the semitone below it and itself, such as the blue third between ♭3 and 3. */
  readonly between?: true;
}

/** Semitones of the seven degrees of the major scale. */
export const MAJOR_STEPS: readonly number[] = Object.freeze([0, 2, 4, 5, 7, 9, 11]);

/**
 * Semitones above the tonic, before any octave is taken away; of a note in between, of the lower of the two.
 * @throws when the number is not 1…7
 */
export function degreeSemitones(degree: Degree): number {
  const natural = MAJOR_STEPS[degree.number - 1];
  if (natural === undefined) throw new Error(`degreeSemitones: degree number ${degree.number} is not 1…7`);
  return natural + degree.alter - (degree.between ? 1 : 0);
}

/** E.g. `♭3`, and `~3` for what lies between ♭3 and 3. */
export function degreeText(degree: Degree): string {
  return (degree.between ? '~' : '') + accidentalText(degree.alter) + String(degree.number);
}

/** How the twelve semitones are named as degrees when a scale does not name them itself. */
export const CHROMATIC_DEGREES: readonly Degree[] = Object.freeze(
  ([0, -1, 0, -1, 0, 0, -1, 0, -1, 0, -1, 0] as const).map((alter, semitone) => ({
    number: [1, 2, 2, 3, 3, 4, 5, 5, 6, 6, 7, 7][semitone]!,
    alter,
  })),
);

/** Texts of the twelve semitones as degrees: `1`, `♭2` … */
export const CHROMATIC_DEGREE_NAMES: readonly string[] = Object.freeze(CHROMATIC_DEGREES.map(degreeText));

/** Semitones above home of a degree as it is written, `5` or `b3`, within the octave; undefined where it is none. */
export function degreeRead(text: string): number | undefined {
  const [, signs, number] = /^([b♭#♯]?)([1-7])$/u.exec(text.trim()) ?? [];
  if (signs === undefined) return undefined;
  return (MAJOR_STEPS[Number(number) - 1]! + alterOf(signs) + 12) % 12;
}

/** What accidentals before a degree come to, in semitones: `♭♭` or `bb` is −2, `♯` or `#` is 1. */
export function alterOf(signs: string): number {
  return [...signs].reduce((sum, sign) => sum + (sign === 'b' || sign === '♭' ? -1 : 1), 0);
}
