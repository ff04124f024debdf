import { fifthsOf, signatureSigns } from '../pitch/keySignature.ts';
import { expectOk } from '../result.ts';
import { keyOf, scaleById, spellScale, type Key } from '../scale/scale.ts';
import type { SongKey } from './song.ts';

/** Signs of a signature tried, from the one of the major or minor key outwards. */
const AWAY = Object.freeze([0, -1, 1, -2, 2, -3, 3]);

/**
 * The signature under which a key is written, as sharps or negative flats: the one that needs the fewest accidentals,
 * of those alike the one of the major or minor key on the same tonic. Between −7 and 7.
 * @throws for a scale that is none
 */
export function fifthsOfSongKey({ tonic, scale: id }: Pick<SongKey, 'tonic' | 'scale'>): number {
  const scale = expectOk(scaleById(id));
  const minor = scale.semitones.includes(3) && !scale.semitones.includes(4);
  const base = fifthsOf(tonic) - (minor ? 3 : 0);
  const notes = spellScale(scale, tonic);
  let best = { fifths: 0, strange: Infinity };
  for (const away of AWAY) {
    const fifths = Math.max(-7, Math.min(7, base + away));
    const signs = signatureSigns(fifths);
    const strange = notes.filter((note) => (signs.get(note.letter) ?? 0) !== note.accidental).length;
    if (strange < best.strange) best = { fifths, strange };
  }
  return best.fifths;
}

/** The key as everything outside songs asks it. @throws for a scale that is none */
export function keyOfSongKey({ tonic, scale }: Pick<SongKey, 'tonic' | 'scale'>): Key {
  return keyOf(expectOk(scaleById(scale)), tonic);
}
