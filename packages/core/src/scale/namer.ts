import { noteText, pitchText, respell, type NamingStyle, type NoteName } from '../pitch/noteName.ts';
import { pitchClass, type Pitch, type PitchClass } from '../pitch/pitch.ts';
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

/** Names as in the own key of an instrument, for where no key is asked: F♯ on one in G, G♭ on one in D♭. */
export function ownNamer(home: PitchClass, ownScale = 'major'): Namer {
  if (home !== pitchClass(home)) throw new Error(`ownNamer: ${home} is no pitch class`);
  const name = `${ownScale} ${home}`;
  let known = OWN.get(name);
  if (!known) {
    const scale = expectOk(scaleById(ownScale));
    known = namer(keyOf(scale, usualTonic(scale, home)));
    OWN.set(name, known);
  }
  return known;
}

const OWN = new Map<string, Namer>();
