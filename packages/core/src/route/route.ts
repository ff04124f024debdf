import type { Loads, Way } from '../families/contract.ts';
import type { Instrument } from '../instrument/instrument.ts';
import { solve, type Solution } from '../solver/solver.ts';
import { costOf, effortOf, type Effort } from './effort.ts';
import type { LineNote } from './line.ts';
import { missingReason, type Missing } from './missing.ts';
import { resolvePreferences, type Preferences, type ResolvedPreferences } from './preferences.ts';

/** A choice the user made: the note at this place in the line is played this way. */
export interface Pin {
  readonly index: number;
  readonly wayId: string;
}

/** A note of a line with the way chosen for it, or the reason why there is none. */
export type RouteNote = LineNote & {
  readonly index: number;
  readonly pinned: boolean;
} & (
    | { readonly way: Way; readonly missing?: undefined }
    | { readonly way?: undefined; readonly missing: Missing }
  );

/** Another way for one note and what it would change over the whole line. */
export interface Alternative {
  readonly way: Way;
  /** Difference of the total; never below 0 but for rounding when nothing is pinned. */
  readonly difference: number;
  /** Differences by part, only those that differ: counts as the player counts. */
  readonly parts: readonly { readonly id: string; readonly label: string; readonly difference: number }[];
  /** Other notes of the line that would then be played differently. */
  readonly alsoChanges: readonly number[];
}

/** One way for every note of a line. Notes that cannot be had are passed over and named. */
export interface Route {
  readonly notes: readonly RouteNote[];
  readonly effort: Effort;
  /** Pins that name no way of that note on this instrument. */
  readonly brokenPins: readonly Pin[];
  /** All other ways of a note, the least difference first; empty for a missing note. */
  alternatives(index: number): readonly Alternative[];
}

/** Routes a line over an instrument: exact for the preferences given, honouring the pins. */
export function routeLine(
  instrument: Instrument,
  line: readonly LineNote[],
  preferences: Preferences,
  pins: readonly Pin[] = [],
): Route {
  const chosen = resolvePreferences(instrument.family, preferences);
  const { layers, played, brokenPins, free } = choices(instrument, line, chosen, pins);
  const solution = solveLine(instrument, layers, played, chosen);
  const pinned = new Set(pins.filter((pin) => !brokenPins.includes(pin)).map((pin) => pin.index));
  const layerOf = new Map(played.map((note, layer) => [note.index, layer]));
  const notes = line.map((note, index): RouteNote => {
    const layer = layerOf.get(index);
    const common = { ...note, index, pinned: pinned.has(index) };
    if (layer === undefined)
      return { ...common, missing: missingReason(instrument, chosen.avoid, note.pitch) };
    return { ...common, way: layers[layer]![solution.path[layer]!]! };
  });
  const effortAlong = (path: readonly number[], through: Layers) =>
    effortOf(instrument.family.parts, chosen.weights, loadsAlong(instrument, through, played, chosen, path));
  const effort = effortAlong(solution.path, layers);
  const alternatives = (index: number): Alternative[] => {
    const layer = layerOf.get(index);
    if (layer === undefined) return [];
    const open = pinned.has(index) ? layers.with(layer, free[layer]!) : layers;
    const detours = open === layers ? solution : solveLine(instrument, open, played, chosen);
    const current = layers[layer]![solution.path[layer]!]!;
    const found = open[layer]!.flatMap((way, state): Alternative[] => {
      const path = way === current ? undefined : detours.pathThrough(layer, state);
      if (!path) return [];
      const wayAt = (l: number) => open[l]![path[l]!]!;
      const differs = (l: number) => l !== layer && wayAt(l) !== layers[l]![solution.path[l]!]!;
      const alsoChanges = played.flatMap((note, l) => (differs(l) ? [note.index] : []));
      return [{ way, alsoChanges, ...differenceOf(effort, effortAlong(path, open)) }];
    });
    return found.sort((a, b) => a.difference - b.difference);
  };
  return { notes, effort, brokenPins, alternatives };
}

function differenceOf(from: Effort, to: Effort): Pick<Alternative, 'difference' | 'parts'> {
  const parts = to.parts.flatMap((part, i) => {
    const difference = Math.round((part.count - from.parts[i]!.count) * 10) / 10;
    return difference === 0 ? [] : [{ id: part.id, label: part.label, difference }];
  });
  return { difference: to.total - from.total, parts };
}

/** The ways open to each note played. */
type Layers = readonly (readonly Way[])[];
type PlayedNote = LineNote & { readonly index: number };

/** The ways open to each note that can be had; a pin leaves one, even one that the preferences rule out. */
function choices(
  instrument: Instrument,
  line: readonly LineNote[],
  chosen: ResolvedPreferences,
  pins: readonly Pin[],
) {
  const byPitch = new Map<number, Way[]>();
  for (const way of instrument.ways) {
    if (!way.able || chosen.avoid.has(way.technique)) continue;
    const same = byPitch.get(way.pitch);
    if (same) same.push(way);
    else byPitch.set(way.pitch, [way]);
  }
  const wayById = new Map(instrument.ways.map((way) => [way.id, way]));
  const pinAt = new Map(pins.map((pin) => [pin.index, pin]));
  const layers: (readonly Way[])[] = [];
  const free: (readonly Way[])[] = [];
  const played: PlayedNote[] = [];
  const brokenPins = pins.filter((pin) => line[pin.index] === undefined);
  for (const [index, note] of line.entries()) {
    const pin = pinAt.get(index);
    const pinnedWay = pin && wayById.get(pin.wayId);
    const fits = pinnedWay?.pitch === note.pitch;
    if (pin && !fits) brokenPins.push(pin);
    const ways = fits ? [pinnedWay] : byPitch.get(note.pitch);
    if (!ways) continue;
    layers.push(ways);
    free.push(byPitch.get(note.pitch) ?? ways);
    played.push({ ...note, index });
  }
  return { layers, played, brokenPins, free };
}

function solveLine(
  instrument: Instrument,
  layers: Layers,
  played: readonly PlayedNote[],
  { weights, habits }: ResolvedPreferences,
): Solution {
  const wayCost = (way: Way, layer: number) =>
    costOf(instrument.wayLoads(way, played[layer]!, habits), weights);
  const solution = solve<Way>({
    layers,
    startCost: (way) => wayCost(way, 0),
    stepCost: (from, to, layer) =>
      costOf(instrument.stepLoads(from, to, played[layer]!, habits), weights) + wayCost(to, layer),
  });
  if (!solution.ok) throw new Error(`solveLine: no path at note ${solution.layer}: a cost is infinite`);
  return solution;
}

/** Loads of each note along a path, the step that leads to it included. */
function loadsAlong(
  instrument: Instrument,
  layers: Layers,
  played: readonly PlayedNote[],
  { habits }: ResolvedPreferences,
  path: readonly number[],
): Loads[] {
  return played.map((note, layer) => {
    const way = layers[layer]![path[layer]!]!;
    const own = instrument.wayLoads(way, note, habits);
    if (layer === 0) return own;
    const step = instrument.stepLoads(layers[layer - 1]![path[layer - 1]!]!, way, note, habits);
    return own.map((load, i) => load + step[i]!);
  });
}
