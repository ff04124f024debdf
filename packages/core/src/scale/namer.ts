import { noteText, pitchText, respell, type NamingStyle, type NoteName } from '../pitch/noteName.ts';
import type { Pitch, PitchClass } from '../pitch/pitch.ts';
import { expectOk } from '../result.ts';
import { degreeText } from './degree.ts';
import { aboveHome, keyOf, scaleById, usualTonic, type Key } from './scale.ts';

/** Names pitches in a key under a naming habit. */
export interface Namer {
  spelled(pitch: Pitch): NoteName;
  /** `F♯` */
  bare(pitch: Pitch): string;
  /** `F♯4` */
  withOctave(pitch: Pitch): string;
  degree(pitch: Pitch): string;
}

/** Notes outside the key are named with sharps in sharp keys and with flats in all others. */
export function namer(key: Key, naming: NamingStyle = 'key'): Namer {
  const spelled = (pitch: Pitch) => respell(key.names[aboveHome(key, pitch)]!, naming);
  return {
    spelled,
    bare: (pitch) => noteText(spelled(pitch)),
    withOctave: (pitch) => pitchText(pitch, spelled(pitch)),
    degree: (pitch) => degreeText(key.degrees[aboveHome(key, pitch)]!),
  };
}

const MAJOR = expectOk(scaleById('major'));
const OWN: readonly Namer[] = Object.freeze(
  Array.from({ length: 12 }, (_, home) => namer(keyOf(MAJOR, usualTonic(MAJOR, home)))),
);

/** Names as in the major key of an instrument's home, for where no key is asked: F♯ on one in G, G♭ on one in D♭. */
export function ownNamer(home: PitchClass): Namer {
  const known = OWN[home];
  if (!known) throw new Error(`ownNamer: ${home} is no pitch class`);
  return known;
}
