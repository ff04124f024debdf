import type { Technique, Way } from '../families/way.ts';
import type { Instrument } from '../instrument/instrument.ts';
import type { Chord } from '../harmony/chord.ts';
import { mainChords } from '../harmony/scaleChords.ts';
import type { Role } from '../harmony/role.ts';
import { aboveHome, type Key } from '../scale/scale.ts';

/** What a player should do with a way in this key. */
export type Advice = 'safe' | 'risk' | 'leave';

/** One way, judged against a key. */
export interface InventoryItem {
  readonly way: Way;
  readonly role: Role;
  readonly advice: Advice;
  /** True for an over-note (or the like) that only repeats a pitch with an easier way. */
  readonly redundant: boolean;
  /** Names of the chords it belongs to, such as I and V. */
  readonly chords: readonly string[];
}

/** Every way of an instrument sorted by technique and role. */
export interface Inventory {
  readonly byTechnique: readonly {
    readonly technique: Technique;
    readonly items: readonly InventoryItem[];
  }[];
}

/**
 * Sorts an instrument's ways in a key.
 * Safe: in the scale and of a technique that can be relied on. Risk: in the scale by a harder technique, or a colour
 * note; also whatever the instrument or its player cannot do yet. Leave out: outside notes, and what is redundant.
 * @param roles role of each of the 12 semitones above home
 * @param over chords told of besides the main ones
 */
export function takeInventory(
  instrument: Instrument,
  key: Key,
  roles: readonly Role[],
  over: readonly Chord[] = [],
): Inventory {
  const main = mainChords(key.scale);
  const known = new Set(main.map(({ name }) => name));
  const chords = [...main, ...over.filter(({ name }) => !known.has(name))];
  const judge = (way: Way, technique: Technique): InventoryItem => {
    const semitone = aboveHome(key, way.pitch);
    const role = roles[semitone]!;
    const redundant = way.redundantTo !== undefined;
    const names = chords.filter((chord) => chord.tones.includes(semitone)).map((chord) => chord.name);
    return { way, role, advice: adviceFor(role, technique, way, redundant), redundant, chords: names };
  };
  const byTechnique = instrument.family.techniques.map((technique) => ({
    technique,
    items: instrument.ways
      .filter((way) => way.technique === technique.id)
      .map((way) => judge(way, technique)),
  }));
  return { byTechnique: byTechnique.filter((group) => group.items.length > 0) };
}

function adviceFor(role: Role, technique: Technique, way: Way, redundant: boolean): Advice {
  if (role === 'outside' || redundant) return 'leave';
  if (role === 'colour' || !technique.safe || !way.able) return 'risk';
  return 'safe';
}
