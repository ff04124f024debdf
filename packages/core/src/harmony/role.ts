import { pitchClass } from '../pitch/pitch.ts';
import type { Scale } from '../scale/scale.ts';
import { tonesOf, type Chord } from './chord.ts';

/** What a pitch is to the chosen scale and chord, from the most to the least at rest. */
export const ROLES = Object.freeze(['home', 'chord', 'scale', 'colour', 'outside'] as const);
export type Role = (typeof ROLES)[number];

/**
 * Role of each of the twelve semitones above home.
 * A colour note is an outside note a semitone below a chord tone: it resolves upwards by the smallest step.
 */
export function rolesOf(scale: Scale, chords: readonly Chord[]): readonly Role[] {
  const tones = tonesOf(chords);
  return Array.from({ length: 12 }, (_, semitone): Role => {
    if (semitone === 0) return 'home';
    if (!scale.semitones.includes(semitone)) {
      return tones.includes(pitchClass(semitone + 1)) ? 'colour' : 'outside';
    }
    return tones.includes(semitone) ? 'chord' : 'scale';
  });
}

/** Roles where no chord is chosen: home, the scale, and what is outside. By semitones above home. */
export function scaleRoles(scale: Scale): readonly Role[] {
  return Array.from({ length: 12 }, (_, semitone): Role => {
    if (semitone === 0) return 'home';
    return scale.semitones.includes(semitone) ? 'scale' : 'outside';
  });
}
