import { families, FAMILY_IDS, type FamilyId } from '../families/index.ts';
import { pitchClass, type PitchClass } from '../pitch/pitch.ts';

/** The pitch class of an instrument on which a key lies in a position: 1 the same key, 2 a fifth below the key … */
export function homeInPosition(key: PitchClass, position: number): PitchClass {
  return pitchClass(key - 7 * (position - 1));
}

/** The usual instrument in a key, of the family whose players count positions. @param home pitch class of its key */
export function usualInstrument(home: PitchClass): { readonly family: FamilyId; readonly preset: string } {
  for (const family of FAMILY_IDS) {
    const preset = families[family].presetIn?.(home);
    if (preset !== undefined) return { family, preset };
  }
  throw new Error('usualInstrument: no family counts positions');
}
