import { pitchClass } from '../pitch/pitch.ts';
import type { Scale } from '../scale/scale.ts';
import { tonesOf, type Chord } from './chord.ts';

/** What a pitch is to the chosen scale and chord, from the most to the least at rest. */
export const ROLES = Object.freeze(['home', 'chord', 'scale', 'colour', 'outside'] as const);
export type Role = (typeof ROLES)[number];

const MAJOR_THIRD = 4;
/** ♭3, ♭5 and ♭7. */
export const BLUE_NOTES: readonly number[] = Object.freeze([3, 6, 10]);

/**
 * Role of each of the twelve semitones above home.
 * A tone of the chords is one whether the scale has it or not: 3 under a blues. A colour note is outside and resolves by
 * a step: a semitone below a chord tone, or one of the blue notes ♭3, ♭5 and ♭7 of a scale with a major third.
 */
export function rolesOf(scale: Scale, chords: readonly Chord[]): readonly Role[] {
  const tones = tonesOf(chords);
  return Array.from({ length: 12 }, (_, semitone): Role => {
    if (semitone === 0) return 'home';
    if (tones.includes(semitone)) return 'chord';
    if (scale.semitones.includes(semitone)) return 'scale';
    const isBlue = BLUE_NOTES.includes(semitone) && scale.semitones.includes(MAJOR_THIRD);
    return isBlue || tones.includes(pitchClass(semitone + 1)) ? 'colour' : 'outside';
  });
}

/** Roles where no chord is chosen: home, the scale, and what is outside. By semitones above home. */
export function scaleRoles(scale: Scale): readonly Role[] {
  return Array.from({ length: 12 }, (_, semitone): Role => {
    if (semitone === 0) return 'home';
    return scale.semitones.includes(semitone) ? 'scale' : 'outside';
  });
}
