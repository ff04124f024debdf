import type { Instrument } from '../instrument/instrument.ts';
import { noteCode } from '../pitch/noteName.ts';
import type { Pitch } from '../pitch/pitch.ts';
import { sharedSteps } from '../route/costs.ts';
import { scalePitches } from '../route/line.ts';
import type { Preferences } from '../route/preferences.ts';
import { prepareRoutes, quickRoute, type RouteGround } from '../route/route.ts';
import { aboveHome, type Key } from '../scale/scale.ts';

/** A complete octave of a scale, home to home, and what it costs upwards. */
export interface OctaveFit {
  readonly from: Pitch;
  /** Weighted effort of the octave; only ranks. */
  readonly total: number;
  readonly parts: readonly { readonly id: string; readonly label: string; readonly count: number }[];
  /** Techniques used that an average pupil cannot rely on, and those with a caution. */
  readonly hard: readonly string[];
}

/** How well one key lies on one instrument. */
export interface KeyCell {
  /** Code of the tonic, for links. */
  readonly tonic: string;
  readonly home: number;
  readonly scale: string;
  /** Scale pitches within the instrument's compass: those that can be had, and all. */
  readonly have: number;
  readonly of: number;
  /** Complete octaves, rising. */
  readonly octaves: readonly OctaveFit[];
  /** Index of the octave that costs least; undefined where none is complete. */
  readonly best: number | undefined;
  /** Scale pitches within the compass that cannot be had, rising. */
  readonly missing: readonly Pitch[];
  /** The instrument's own words about the key: its position … */
  readonly facts: readonly string[];
}

/** Grounds to route on, prepared once for each way that one instrument is set. */
export function groundsOf(preferences: Preferences): (instrument: Instrument) => RouteGround {
  const known = new Map<Instrument, RouteGround>();
  const shared = sharedSteps();
  return (instrument) => {
    const ground = known.get(instrument) ?? prepareRoutes(instrument, preferences, shared);
    known.set(instrument, ground);
    return ground;
  };
}

/** Works out one cell. */
export function keyCell(
  base: Instrument,
  key: Key,
  groundOf: (instrument: Instrument) => RouteGround,
): KeyCell {
  const instrument = base.forKey(key);
  const ground = groundOf(instrument);
  const compass = [...ground.byPitch.keys()];
  const lowest = Math.min(...compass);
  const highest = Math.max(...compass);
  const wanted = compass.length === 0 ? [] : scalePitches(key, lowest, highest);
  const missing = wanted.filter((pitch) => !ground.byPitch.has(pitch));
  const homes = wanted.filter((pitch) => aboveHome(key, pitch) === 0 && ground.byPitch.has(pitch));
  const octaves = homes.flatMap((from): OctaveFit[] => {
    const pitches = [...key.scale.semitones.map((s) => from + s), from + 12];
    return pitches.every((pitch) => ground.byPitch.has(pitch)) ? [octaveFit(ground, from, pitches)] : [];
  });
  const best = octaves.reduce<number | undefined>(
    (least, octave, i) => (least === undefined || octave.total < octaves[least]!.total ? i : least),
    undefined,
  );
  return {
    tonic: noteCode(key.tonic),
    home: key.home,
    scale: key.scale.id,
    have: wanted.length - missing.length,
    of: wanted.length,
    octaves,
    best,
    missing,
    facts: instrument.facts(key),
  };
}

function octaveFit(ground: RouteGround, from: Pitch, pitches: readonly Pitch[]): OctaveFit {
  const { ways, effort } = quickRoute(ground, pitches);
  const used = new Set(ways.map((way) => way.technique));
  return {
    from,
    total: effort.total,
    parts: effort.parts.filter((p) => p.count > 0).map(({ id, label, count }) => ({ id, label, count })),
    hard: ground.instrument.family.techniques
      .filter((t) => (!t.safe || t.caution) && used.has(t.id))
      .map((t) => t.id),
  };
}

/**
 * Orders cells by how well they serve: complete octaves before none, then nothing hard, then nothing missing, then the
 * least effort a note. Negative when the first serves better.
 */
export function byEase(a: KeyCell, b: KeyCell): number {
  const rank = (cell: KeyCell) => {
    const octave = cell.best === undefined ? undefined : cell.octaves[cell.best]!;
    const share = cell.of === 0 ? 1 : 1 - cell.have / cell.of;
    return [octave ? 0 : 1, octave?.hard.length ?? 0, Math.round(share * 20), octave?.total ?? share];
  };
  const [first, second] = [rank(a), rank(b)];
  for (const [i, value] of first.entries()) if (value !== second[i]) return value - second[i]!;
  return 0;
}
