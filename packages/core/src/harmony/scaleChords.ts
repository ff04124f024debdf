import { pitchClass, type PitchClass } from '../pitch/pitch.ts';
import type { Degree } from '../scale/degree.ts';
import type { Scale } from '../scale/scale.ts';
import { chordOn, type Chord } from './chord.ts';
import { QUALITIES, type QualityId } from './qualities.ts';

/** The degrees of the three chords that a teacher plays under a scale first. */
export const MAIN_DEGREES = Object.freeze([1, 4, 5] as const);
type MainDegree = (typeof MAIN_DEGREES)[number];

const PLAIN_ROOTS: Readonly<Record<MainDegree, number>> = Object.freeze({ 1: 0, 4: 5, 5: 7 });

/**
 * The chords on home, the fourth and the fifth degree. A blues is played over sevenths. A seven-note scale gives its own tones by thirds. Any other
 * scale gives the plain fourth or fifth as root, a pure fifth, and the third that the scale contains; where it contains
 * neither or both, the third of home's chord, and the major one for home itself.
 */
export function mainChords(scale: Scale): readonly Chord[] {
  return MAIN_DEGREES.map((degree) => {
    if (isBlues(scale)) return chordOn({ number: degree, alter: 0 }, '7');
    if (scale.semitones.length === 7) return triadOn(scale, degree);
    const root = PLAIN_ROOTS[degree];
    return chordOn({ number: degree, alter: 0 }, thirdAbove(scale, root) === 3 ? 'm' : '');
  });
}

/** Whether a scale is a blues by itself; the minor pentatonic, kept among them, also stands over its minor chord. */
export function isBlues({ group, id }: Pick<Scale, 'group' | 'id'>): boolean {
  return group === 'blues' && id !== 'minor-pentatonic';
}

/** Home's chord. */
export function homeChord(scale: Scale): Chord {
  return mainChords(scale)[0]!;
}

/** The chords that go with a scale: the triads on every degree of a seven-note scale, else the main ones. */
export function triadsOf(scale: Scale): readonly Chord[] {
  return scale.semitones.length === 7 && !isBlues(scale)
    ? scale.semitones.map((_, i) => triadOn(scale, i + 1))
    : mainChords(scale);
}

/** The triad by thirds on a degree of a seven-note scale; without a name of its own it is told by its tones. */
function triadOn(scale: Scale, number: number): Chord {
  const tones = [0, 2, 4].map((step) => scale.semitones[(number - 1 + step) % 7]!);
  const { between, ...upper } = scale.degrees[number - 1]!;
  const root: Degree = between ? { ...upper, alter: upper.alter - 1 } : upper;
  const above = tones.map((tone) => pitchClass(tone - tones[0]!));
  const quality = QUALITIES.find(({ tones: own }) => own.join() === above.join())?.id;
  const chord = chordOn(root, quality ?? nearest(above));
  return quality === undefined ? { ...chord, tones } : chord;
}

/** For triads that no symbol names, such as one with a diminished third: by the third that it has. */
function nearest([, third]: readonly PitchClass[]): QualityId {
  return third! <= 3 ? 'm' : '';
}

function thirdAbove(scale: Scale, root: number): 3 | 4 {
  const has = (semitones: number) => scale.semitones.includes(pitchClass(root + semitones));
  if (has(4) !== has(3)) return has(4) ? 4 : 3;
  return root === 0 ? 4 : thirdAbove(scale, 0);
}
