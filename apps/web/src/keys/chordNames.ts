import { noteText, type DegreeChord, type Key } from '@same-song/core';

/** A chord by its name in a key: `E♭m7`. */
export function nameIn(key: Key, chord: DegreeChord): string {
  return noteText(key.names[chord.tones[0]!]!) + chord.quality;
}
