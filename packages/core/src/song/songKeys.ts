import type { Instrument } from '../instrument/instrument.ts';
import { noteText } from '../pitch/noteName.ts';
import { expectOk } from '../result.ts';
import { resolvePreferences, type Preferences } from '../route/preferences.ts';
import { routeLine } from '../route/route.ts';
import { contextsFor, keyCost, lackingCost } from '../keys/keyCell.ts';
import { keyOf, scaleById } from '../scale/scale.ts';
import { inModeIfAny } from './inMode.ts';
import { missingWhenMoved, movedLine, OCTAVES } from './openingOctave.ts';
import type { Song } from './song.ts';
import { melodyLine, countingOfSong } from './songLine.ts';
import { songAir } from './songAir.ts';
import { movedTonic } from './transpose.ts';

/** How a song lies on an instrument in one key, in the octave where it lies best. */
export interface SongKeyFit {
  /** Semitones from where the song is written. */
  readonly transpose: number;
  readonly keyName: string;
  /** Notes of the melody that cannot be had, and all of them. */
  readonly missing: number;
  readonly notes: number;
  /** Effort for each note that can be had, and what must be set for the key; only ranks. */
  readonly ease: number;
  /** What it asks, the most costly first. */
  readonly demands: readonly { readonly label: string; readonly count: number }[];
  /** The instrument's own words about the key: its position … */
  readonly facts: readonly string[];
}

/** Octaves tried for each key, those in which most can be had first. */
const OCTAVES_TRIED = 2;

/** A song on an instrument in one key, in the octave where it lies best; undefined where nothing of it can be had. */
export function songKeyFit(
  base: Instrument,
  song: Song,
  preferences: Preferences,
  semitones: number,
): SongKeyFit | undefined {
  return fitterOf(base, song, preferences)(semitones);
}

/** Every key for a song on an instrument, the best first: effort and notes that lack count together, as for a scale. */
export function songKeys(
  base: Instrument,
  written: Song,
  preferences: Preferences,
  mode?: string,
): readonly SongKeyFit[] {
  const fitIn = fitterOf(base, inModeIfAny(written, mode), preferences);
  const fits = Array.from({ length: 12 }, (_, i) => i - 6).flatMap((semitones) => fitIn(semitones) ?? []);
  const cost = ({ ease, missing, notes }: SongKeyFit) => ease + lackingCost(missing / notes);
  return fits.sort((a, b) => cost(a) - cost(b) || a.missing - b.missing);
}

/** Fits a song into keys, by semitones from where it is written. */
function fitterOf(base: Instrument, song: Song, preferences: Preferences) {
  const scale = expectOk(scaleById(song.keys[0]!.scale));
  const line = melodyLine(song);
  const metre = countingOfSong(song);
  const contextFor = contextsFor(preferences);
  const { options } = resolvePreferences(base.family, preferences);
  const { places } = songAir(base, options, song, line);
  return (semitones: number): SongKeyFit | undefined => {
    const tonic = movedTonic(song, semitones);
    const key = keyOf(scale, tonic);
    const instrument = base.forKey(key);
    const context = contextFor(instrument);
    const octaves = OCTAVES.map((octave) => semitones + octave)
      .map((by) => ({ by, missing: missingWhenMoved(context, line, by) }))
      .filter(({ by, missing }) => missing < line.length && Math.abs(by) <= 48)
      .sort((a, b) => a.missing - b.missing || Math.abs(a.by) - Math.abs(b.by));
    const tried = octaves.slice(0, OCTAVES_TRIED).filter(({ missing }) => missing <= octaves[0]!.missing);
    return tried
      .map(({ by }): SongKeyFit => {
        const route = routeLine(context, movedLine(line, by), { metre, places });
        const had = route.notes.filter((note) => note.way).length;
        const demands = route.effort.terms.filter(({ count }) => count > 0).sort((a, b) => b.cost - a.cost);
        return {
          transpose: by,
          keyName: noteText(tonic),
          missing: line.length - had,
          notes: line.length,
          ease: route.effort.total / Math.max(1, had) + keyCost(instrument, key),
          demands: demands.slice(0, 3).map(({ label, count }) => ({ label, count })),
          facts: instrument.facts(key),
        };
      })
      .sort((a, b) => a.missing - b.missing || a.ease - b.ease)[0];
  };
}
