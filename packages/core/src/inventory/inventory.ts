import type { Technique, Way } from '../families/way.ts';
import type { Instrument } from '../instrument/instrument.ts';
import type { Chord } from '../harmony/chord.ts';
import { mainChords } from '../harmony/scaleChords.ts';
import type { Role } from '../harmony/role.ts';
import { aboveHome, type Key } from '../scale/scale.ts';

/**
 * How the music judges a way: its note belongs; it is outside but may pay off, short and led on by a step; or it is to
 * be left out. How it is played, plain or by which technique, is another matter, and told beside it.
 */
export type Music = 'in' | 'risk' | 'leave';

/** One way, judged against a key. */
export interface InventoryItem {
  readonly way: Way;
  readonly role: Role;
  readonly music: Music;
  /** True for an over-note (or the like) that only repeats a pitch with an easier way. */
  readonly redundant: boolean;
  /** Names of the chords it belongs to, such as I and V. */
  readonly chords: readonly string[];
}

/**
 * Every way of an instrument judged in a key, by technique from easy to hard.
 * @param roles role of each of the 12 semitones above home
 * @param over chords told of besides the main ones
 */
export function takeInventory(
  instrument: Instrument,
  key: Key,
  roles: readonly Role[],
  over: readonly Chord[] = [],
): readonly InventoryItem[] {
  const main = mainChords(key.scale);
  const known = new Set(main.map(({ name }) => name));
  const chords = [...main, ...over.filter(({ name }) => !known.has(name))];
  return instrument.family.techniques.flatMap((technique) =>
    instrument.ways
      .filter((way) => way.technique === technique.id)
      .map((way): InventoryItem => {
        const semitone = aboveHome(key, way.pitch);
        const role = roles[semitone]!;
        return {
          way,
          role,
          music: musicOf(role, technique),
          redundant: way.redundantTo !== undefined,
          chords: chords.filter(({ tones }) => tones.includes(semitone)).map(({ name }) => name),
        };
      }),
  );
}

/** A foreign note pays off only where it comes easily: nobody takes a hard technique for it. */
function musicOf(role: Role, technique: Technique): Music {
  if (role === 'outside') return 'leave';
  if (role === 'colour') return technique.safe ? 'risk' : 'leave';
  return 'in';
}
