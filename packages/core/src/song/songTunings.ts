import type { Instrument } from '../instrument/instrument.ts';
import { unadjusted, variantsOf, type Adjustment } from '../keys/adjusted.ts';
import { lackingCost } from '../keys/keyCell.ts';
import type { Preferences } from '../route/preferences.ts';
import { aboveHome } from '../scale/scale.ts';
import { inModeIfAny } from './inMode.ts';
import type { Song } from './song.ts';
import { keyOfSongKey } from './songKey.ts';
import { songKeyFit, type SongKeyFit } from './songKeys.ts';
import { movedTonic } from './transpose.ts';

/** How a song lies on an instrument that is set otherwise: tuned, or with a capo. */
export interface SongTuning {
  /** Nothing for the instrument as it stands. */
  readonly settings: readonly Adjustment[];
  /** `dulcimer in D3 A3 C4`. */
  readonly name: string;
  readonly todo: readonly string[];
  readonly fit: SongKeyFit;
  /** Strings that drone, and how many of them belong to the song's scale. */
  readonly drones: number;
  readonly suits: number;
}

/** What it counts, beside the effort of a note, that a part must be touched, and that a drone is foreign to the scale. */
const PER_PART = 0.15;
const PER_FOREIGN_DRONE = 0.3;

/**
 * An instrument as it stands and in everything that one option brings it to without a workshop, for a song in one key: what
 * lies best first, with drones that suit and few strings to turn.
 * @param semitones from where the song is written; the octave is the best one
 */
export function songTunings(
  base: Instrument,
  written: Song,
  preferences: Preferences,
  semitones: number,
  mode?: string,
): readonly SongTuning[] {
  const song = inModeIfAny(written, mode);
  const key = keyOfSongKey({ ...song.keys[0]!, tonic: movedTonic(song, semitones) });
  const variants = [{ ...unadjusted(base), settings: [] }, ...variantsOf(base, 1)];
  const ranked = variants.flatMap(({ instrument, settings, todo, parts }) => {
    const fit = songKeyFit(instrument, song, preferences, semitones);
    if (!fit) return [];
    const { drones, description } = instrument;
    const suits = drones.filter((pitch) => key.indexOf[aboveHome(key, pitch)] !== undefined).length;
    const cost =
      fit.ease +
      lackingCost(fit.missing / fit.notes) +
      PER_PART * parts +
      PER_FOREIGN_DRONE * (drones.length - suits);
    return [{ cost, tuning: { settings, name: description, todo, fit, drones: drones.length, suits } }];
  });
  return ranked.sort((a, b) => a.cost - b.cost).map(({ tuning }) => tuning);
}
