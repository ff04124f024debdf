import { pitchClass, type PitchClass } from '../pitch/pitch.ts';
import type { Scale } from '../scale/scale.ts';
import { tonesOf, type Chord } from './chord.ts';
import { rolesOf } from './role.ts';
import { homeChord } from './scaleChords.ts';

/** Layers of a scale in the order in which it is built up. Source: teachers who put chord tones before scales. */
export const LAYERS = Object.freeze([
  { id: 'home', label: 'home alone' },
  { id: 'chord', label: 'the chord’s tones' },
  { id: 'five', label: 'five notes' },
  { id: 'scale', label: 'the whole scale' },
  { id: 'colour', label: 'the scale and its colour notes' },
] as const);
export type LayerId = (typeof LAYERS)[number]['id'];

/** Five-note shapes, semitones above home; those with a major third are tried first in a scale that has one. */
const FIVES = Object.freeze({
  major: [
    [0, 2, 4, 7, 9],
    [0, 2, 4, 7, 11],
    [0, 2, 5, 7, 9],
  ],
  minor: [
    [0, 3, 5, 7, 10],
    [0, 2, 5, 7, 10],
    [0, 3, 5, 8, 10],
    [0, 3, 5, 6, 10],
  ],
});

/** The five notes of a scale that rub least: a pentatonic it contains, or home's chord with what lies farthest from it. */
export function fiveOf(scale: Scale): readonly PitchClass[] {
  const { semitones } = scale;
  if (semitones.length <= 5) return semitones;
  const shapes = semitones.includes(4) ? [...FIVES.major, ...FIVES.minor] : [...FIVES.minor, ...FIVES.major];
  const found = shapes.find((shape) => shape.every((s) => semitones.includes(s)));
  if (found) return found;
  const chord = homeChord(scale).tones;
  const rubs = (s: number) => Number(chord.includes(pitchClass(s - 1)));
  const others = semitones.filter((s) => !chord.includes(s)).sort((a, b) => rubs(a) - rubs(b) || a - b);
  return [...chord, ...others].slice(0, 5).sort((a, b) => a - b);
}

/** Semitones above home that a layer holds, rising. */
export function layerSemitones(
  scale: Scale,
  chords: readonly Chord[],
  layer: LayerId,
): readonly PitchClass[] {
  switch (layer) {
    case 'home':
      return [0];
    case 'chord':
      return [...tonesOf(chords)].sort((a, b) => a - b);
    case 'five':
      return fiveOf(scale);
    case 'scale':
      return scale.semitones;
    case 'colour':
      return rolesOf(scale, chords).flatMap((role, semitone) => (role === 'outside' ? [] : [semitone]));
  }
}
