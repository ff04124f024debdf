import { pitchClass, type PitchClass } from '../pitch/pitch.ts';
import type { Scale } from '../scale/scale.ts';

/** The three chords a teacher plays under a scale first. */
export const MAIN_CHORDS = Object.freeze([1, 4, 5] as const);
export type MainChord = (typeof MAIN_CHORDS)[number];

/** A triad over home: its tones as semitones above the scale's home, root first. */
export interface Chord {
  readonly degree: MainChord;
  /** Roman numeral: capitals for a major third, small letters for a minor one. */
  readonly name: string;
  readonly tones: readonly PitchClass[];
}

const NUMERALS: Readonly<Record<MainChord, string>> = Object.freeze({ 1: 'I', 4: 'IV', 5: 'V' });
const PLAIN_ROOTS: Readonly<Record<MainChord, number>> = Object.freeze({ 1: 0, 4: 5, 5: 7 });

/**
 * The triad on home, the fourth or the fifth degree. A seven-note scale gives its own tones by thirds.
 * Any other scale gives the plain fourth or fifth as root, a pure fifth, and the third that the scale contains;
 * where it contains neither or both, the quality of home's chord, and major for home itself.
 */
export function mainChord(scale: Scale, degree: MainChord): Chord {
  const tones = scale.semitones.length === 7 ? byThirds(scale, degree) : byQuality(scale, degree);
  const third = pitchClass(tones[1]! - tones[0]!);
  const fifth = pitchClass(tones[2]! - tones[0]!);
  const numeral = third <= 3 ? NUMERALS[degree].toLowerCase() : NUMERALS[degree];
  return { degree, name: numeral + (fifth === 6 ? '°' : fifth === 8 ? '+' : ''), tones };
}

function byThirds(scale: Scale, degree: MainChord): PitchClass[] {
  return [0, 2, 4].map((step) => scale.semitones[(degree - 1 + step) % 7]!);
}

function byQuality(scale: Scale, degree: MainChord): PitchClass[] {
  const root = PLAIN_ROOTS[degree];
  return [root, pitchClass(root + thirdAbove(scale, root)), pitchClass(root + 7)];
}

function thirdAbove(scale: Scale, root: number): 3 | 4 {
  const has = (semitones: number) => scale.semitones.includes(pitchClass(root + semitones));
  if (has(4) !== has(3)) return has(4) ? 4 : 3;
  return root === 0 ? 4 : thirdAbove(scale, 0);
}
