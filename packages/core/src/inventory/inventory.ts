import type { Technique, Way } from '../families/way.ts';
import type { Instrument } from '../instrument/instrument.ts';
import { MAIN_CHORDS, mainChord } from '../harmony/chord.ts';
import type { Role } from '../harmony/role.ts';
import { missingReason, type Missing } from '../route/missing.ts';
import { scalePitches } from '../route/line.ts';
import { aboveHome, type Key } from '../scale/scale.ts';

/** What a player should do with a way in this key. */
export type Advice = 'safe' | 'risk' | 'leave';

/** One way, judged against a key. */
export interface InventoryItem {
  readonly way: Way;
  readonly role: Role;
  readonly advice: Advice;
  /** False for an over-note (or the like) that only repeats a pitch with an easier way. */
  readonly gains: boolean;
  /** Names of the main chords it belongs to, e.g. I and V. */
  readonly chords: readonly string[];
}

/** A scale pitch within the instrument's compass that cannot be had. */
export interface MissingPitch {
  readonly pitch: number;
  readonly missing: Missing;
}

/** Every way of an instrument sorted by technique and role. */
export interface Inventory {
  readonly byTechnique: readonly {
    readonly technique: Technique;
    readonly items: readonly InventoryItem[];
  }[];
  readonly missing: readonly MissingPitch[];
}

/**
 * Sorts an instrument's ways in a key.
 * Safe: in the scale and of a technique that can be relied on. Risk: in the scale by a harder technique, or a colour
 * note; also whatever the instrument or its player cannot do yet. Leave out: outside notes, and what gains nothing.
 * @param roles role of each of the 12 semitones above home
 */
export function takeInventory(
  instrument: Instrument,
  key: Key,
  roles: readonly Role[],
  avoid: ReadonlySet<string>,
): Inventory {
  const chords = MAIN_CHORDS.map((degree) => mainChord(key.scale, degree));
  const judge = (way: Way, technique: Technique): InventoryItem => {
    const semitone = aboveHome(key, way.pitch);
    const role = roles[semitone]!;
    const gains = way.duplicateOf === undefined;
    const names = chords.filter((chord) => chord.tones.includes(semitone)).map((chord) => chord.name);
    return { way, role, advice: adviceFor(role, technique, way, gains), gains, chords: names };
  };
  const byTechnique = instrument.family.techniques.map((technique) => ({
    technique,
    items: instrument.ways
      .filter((way) => way.technique === technique.id)
      .map((way) => judge(way, technique)),
  }));
  const usable = instrument.ways.filter((way) => way.able && !avoid.has(way.technique));
  const heard = new Set(usable.map((way) => way.pitch));
  const all = instrument.ways.map((way) => way.pitch);
  const missing = scalePitches(key, Math.min(...all), Math.max(...all))
    .filter((pitch) => !heard.has(pitch))
    .map((pitch) => ({ pitch, missing: missingReason(instrument, avoid, pitch) }));
  return { byTechnique: byTechnique.filter((group) => group.items.length > 0), missing };
}

function adviceFor(role: Role, technique: Technique, way: Way, gains: boolean): Advice {
  if (role === 'outside' || !gains) return 'leave';
  if (role === 'colour' || !technique.safe || !way.able) return 'risk';
  return 'safe';
}
