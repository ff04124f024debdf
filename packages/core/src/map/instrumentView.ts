import type { Air, Side } from '../families/way.ts';
import type { Chord } from '../harmony/chord.ts';
import { scaleRoles, type Role } from '../harmony/role.ts';
import type { Instrument } from '../instrument/instrument.ts';
import { takeInventory, type Music } from '../inventory/inventory.ts';
import { frequency, type Pitch } from '../pitch/pitch.ts';
import { usableWays } from '../route/context.ts';
import { namer, type Namer } from '../scale/namer.ts';
import { aboveHome, type Key } from '../scale/scale.ts';
import type { Scene } from '../scene/scene.ts';
import { inBetween } from './inBetween.ts';
import type { NotationOptions } from './notation.ts';

/** One way as Map shows it. */
export interface WayView {
  readonly id: string;
  readonly words: string;
  readonly tab: string;
  /** Tells it from all others on the same side. */
  readonly brief: string;
  readonly pitch: Pitch;
  /** With octave, as the key spells it. */
  readonly note: string;
  readonly degree: string;
  readonly role: Role;
  readonly air: Air | undefined;
  readonly side: Side;
  /** Known deviation in cents; 0 when none is known. */
  readonly cents: number;
  readonly technique: string;
  readonly usable: boolean;
  /** It only repeats a pitch with an easier way. */
  readonly redundant: boolean;
  readonly music: Music;
  /** Names of the chords it belongs to: the main ones, and those asked for. */
  readonly chords: readonly string[];
  /** How a note that is meant to lie between two keys is held. */
  readonly between: string | undefined;
  /** Sounding frequency at the instrument's pitch standard. */
  readonly hz: number;
}

/** Every way of an instrument as it is judged in a key. @param roles by semitones above home @param over chords asked for */
export function waysIn(
  instrument: Instrument,
  key: Key,
  roles: readonly Role[],
  over: readonly Chord[],
  usable: ReadonlySet<string>,
  { naming, dialect }: NotationOptions,
  name: Namer = namer(key, naming),
): readonly WayView[] {
  return takeInventory(instrument, key, roles, over).map(({ way, ...judged }): WayView => {
    const { id, words, pitch, air, technique } = way;
    const cents = instrument.centsOf(way);
    const between = inBetween(instrument, key, pitch, way, name);
    return {
      id,
      words,
      pitch,
      air,
      technique,
      cents,
      ...judged,
      tab: instrument.tab(way, dialect, name.spelled(pitch)),
      brief: instrument.brief(way, name.spelled(pitch)),
      note: name.withOctave(pitch),
      degree: name.degree(pitch),
      side: instrument.sideOf({ way, fingering: undefined }),
      usable: usable.has(id),
      between: between?.text,
      hz: frequency(pitch, instrument.spec.a4, cents + (between?.cents ?? 0)),
    };
  });
}

/** The drawing of an instrument in a key. @param roles by semitones above home */
export function sceneIn(
  instrument: Instrument,
  key: Key,
  roles: readonly Role[],
  name: Namer,
  usable: ReadonlySet<string>,
): Scene {
  return instrument.scene((way) => ({
    role: roles[aboveHome(key, way.pitch)]!,
    degree: name.degree(way.pitch),
    note: name.bare(way.pitch),
    usable: usable.has(way.id),
  }));
}

/** The drawing of an instrument as it is set for a key, whatever the preferences. @param roles the scale's when left out */
export function sceneForKey(
  base: Instrument,
  key: Key,
  naming: NotationOptions['naming'],
  roles: readonly Role[] = scaleRoles(key.scale),
): Scene {
  const instrument = base.forKey(key);
  const usable = new Set(usableWays(instrument).map((way) => way.id));
  return sceneIn(instrument, key, roles, namer(key, naming), usable);
}
