import type { Loads } from '../families/effortPart.ts';
import type { Remark, Way } from '../families/way.ts';
import type { Instrument } from '../instrument/instrument.ts';
import { solve, type Solution } from '../solver/solver.ts';
import { costTable, type CostTable } from './costs.ts';
import { effortOf, type Effort } from './effort.ts';
import type { LineNote, TimedNote } from './line.ts';
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
    | { readonly way: Way; readonly grip: string | undefined; readonly missing?: undefined }
    | { readonly way?: undefined; readonly grip?: undefined; readonly missing: Missing }
  );

/** Another way for one note and what it would change over the whole line. */
export interface Alternative {
  readonly way: Way;
  /** It only repeats the pitch with a harder technique: never taken freely, even where it would cost less. */
  readonly repeats: boolean;
  /** Difference of the total; never below 0 but for rounding when nothing is pinned and it does not only repeat. */
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
  /** What to do at single notes, in the family's words. */
  remarks(): readonly Remark[];
  /** Pins that name no way of that note on this instrument. */
  readonly brokenPins: readonly Pin[];
  /** All other ways of a note, the least difference first and those that only repeat last; empty for a missing note. */
  alternatives(index: number): readonly Alternative[];
}

/** What many lines on one instrument with the same preferences share. */
export interface RouteGround {
  readonly instrument: Instrument;
  readonly chosen: ResolvedPreferences;
  readonly costs: CostTable;
  /** Numbers of the plays that are chosen among, by pitch. */
  readonly byPitch: ReadonlyMap<number, readonly number[]>;
  /** Those that only repeat a pitch with an easier way: never chosen freely, but told as alternatives. */
  readonly duplicates: ReadonlyMap<number, readonly number[]>;
  /** From the lowest pitch that is chosen among to the highest; undefined where there is none. */
  readonly compass: { readonly low: number; readonly high: number } | undefined;
}

/** @param shared ground of the same instrument, set otherwise, under the same preferences */
export function prepareRoutes(
  instrument: Instrument,
  preferences: Preferences,
  shared?: RouteGround,
): RouteGround {
  const chosen = shared?.chosen ?? resolvePreferences(instrument.family, preferences);
  const costs = shared?.costs ?? costTable(instrument.family, chosen);
  const usable = instrument.ways.filter((way) => way.able && !chosen.avoid.has(way.technique));
  const ids = new Set(usable.map((way) => way.id));
  const gains = (way: Way) => way.duplicateOf === undefined || !ids.has(way.duplicateOf);
  const numbersOf = (ways: readonly Way[]) => {
    const byPitch = new Map<number, readonly number[]>();
    for (const way of ways) {
      const numbers = costs.numbersOf(way, instrument);
      const before = byPitch.get(way.pitch);
      byPitch.set(way.pitch, before ? [...before, ...numbers] : numbers);
    }
    return byPitch;
  };
  const byPitch = numbersOf(usable.filter(gains));
  const pitches = [...byPitch.keys()];
  return {
    instrument,
    chosen,
    costs,
    byPitch,
    compass: pitches.length === 0 ? undefined : { low: Math.min(...pitches), high: Math.max(...pitches) },
    duplicates: numbersOf(usable.filter((way) => !gains(way))),
  };
}

/** Routes a line over an instrument: exact for the preferences given, honouring the pins. */
export function routeLine(
  instrument: Instrument,
  line: readonly LineNote[],
  preferences: Preferences,
  pins: readonly Pin[] = [],
): Route {
  return routeOn(prepareRoutes(instrument, preferences), line, pins);
}

/** The same on prepared ground. */
export function routeOn(ground: RouteGround, line: readonly LineNote[], pins: readonly Pin[] = []): Route {
  const { instrument, chosen, costs } = ground;
  const { layers, played, brokenPins, free } = choices(ground, line, pins);
  const solution = solveLine(layers, played, costs);
  const pinned = new Set(pins.filter((pin) => !brokenPins.includes(pin)).map((pin) => pin.index));
  const layerOf = new Map(played.map((note, layer) => [note.index, layer]));
  const playOf = (through: Layers, path: readonly number[], layer: number) =>
    costs.playAt(through[layer]![path[layer]!]!);
  const notes = line.map((note, index): RouteNote => {
    const layer = layerOf.get(index);
    const { pitch, beats, start } = note;
    const isPinned = pinned.has(index);
    if (layer === undefined)
      return {
        pitch,
        beats,
        start,
        index,
        pinned: isPinned,
        missing: missingReason(instrument, chosen.avoid, pitch),
      };
    const { way, grip } = playOf(layers, solution.path, layer);
    return { pitch, beats, start, index, pinned: isPinned, way, grip };
  });
  const effortAlong = (path: readonly number[], through: Layers) =>
    effortOf(instrument.family.parts, chosen.weights, loadsAlong(through, played, path, costs));
  const effort = effortAlong(solution.path, layers);
  const remarks = () =>
    instrument.remarks(
      played.map(({ index, beats, start }, layer) => {
        const { way, grip } = playOf(layers, solution.path, layer);
        return { index, beats, start, way, grip };
      }),
    );
  const alternatives = (index: number): Alternative[] => {
    const layer = layerOf.get(index);
    if (layer === undefined) return [];
    const repeats = ground.duplicates.get(line[index]!.pitch) ?? [];
    const known = new Set(free[layer]!);
    const all = [...free[layer]!, ...repeats.filter((play) => !known.has(play))];
    const open = pinned.has(index) || repeats.length > 0 ? layers.with(layer, all) : layers;
    const detours = open === layers ? solution : solveLine(open, played, costs);
    const current = playOf(layers, solution.path, layer).way;
    const found = bestStates(open[layer]!, layer, detours, costs).flatMap(({ way, state }): Alternative[] => {
      const path = way === current ? undefined : detours.pathThrough(layer, state);
      if (!path) return [];
      const differs = (l: number) =>
        l !== layer && playOf(open, path, l).way !== playOf(layers, solution.path, l).way;
      const alsoChanges = played.flatMap((note, l) => (differs(l) ? [note.index] : []));
      const repeating = !known.has(open[layer]![state]!);
      return [{ way, repeats: repeating, alsoChanges, ...differenceOf(effort, effortAlong(path, open)) }];
    });
    return found.sort((a, b) => Number(a.repeats) - Number(b.repeats) || a.difference - b.difference);
  };
  return { notes, effort, remarks, brokenPins, alternatives };
}

/** The route of a line without what only Map asks for. */
export interface QuickRoute {
  readonly total: number;
  readonly ways: readonly Way[];
  effort(): Effort;
}

/** Routes notes of one beat each that can all be had. @throws for a pitch that cannot be had */
export function quickRoute(ground: RouteGround, pitches: readonly number[]): QuickRoute {
  const played = pitches.map((pitch, start) => ({
    pitch,
    beats: 1,
    start,
    index: start,
    since: start === 0 ? 0 : 1,
  }));
  const layers = pitches.map((pitch) => {
    const plays = ground.byPitch.get(pitch);
    if (!plays) throw new Error(`quickRoute: ${pitch} cannot be had`);
    return plays;
  });
  const { path, total } = solveLine(layers, played, ground.costs);
  return {
    total,
    effort: () =>
      effortOf(
        ground.instrument.family.parts,
        ground.chosen.weights,
        loadsAlong(layers, played, path, ground.costs),
      ),
    ways: path.map((state, layer) => ground.costs.playAt(layers[layer]![state]!).way),
  };
}

/** Of the grips of each way the one with the cheapest line through it. */
function bestStates(layer: readonly number[], at: number, detours: Solution, costs: CostTable) {
  const best = new Map<Way, { way: Way; state: number; total: number }>();
  for (const [state, number] of layer.entries()) {
    const { way } = costs.playAt(number);
    const total = detours.totalThrough(at, state);
    const known = best.get(way);
    if (!known || total < known.total) best.set(way, { way, state, total });
  }
  return [...best.values()];
}

function differenceOf(from: Effort, to: Effort): Pick<Alternative, 'difference' | 'parts'> {
  const parts = to.parts.flatMap((part, i) => {
    const difference = Math.round((part.count - from.parts[i]!.count) * 10) / 10;
    return difference === 0 ? [] : [{ id: part.id, label: part.label, difference }];
  });
  return { difference: to.total - from.total, parts };
}

/** The plays open to each note, by their number in the cost table. */
type Layers = readonly (readonly number[])[];
type NoteInLine = TimedNote & { readonly index: number };

/** The plays open to each note that can be had; a pin leaves one way, even one that the preferences rule out. */
function choices(
  { instrument, costs, byPitch }: RouteGround,
  line: readonly LineNote[],
  pins: readonly Pin[],
) {
  const pinAt = new Map(pins.map((pin) => [pin.index, pin]));
  const wayById = pins.length === 0 ? undefined : new Map(instrument.ways.map((way) => [way.id, way]));
  const layers: (readonly number[])[] = [];
  const free: (readonly number[])[] = [];
  const played: NoteInLine[] = [];
  const brokenPins = pins.filter((pin) => line[pin.index] === undefined);
  for (const [index, note] of line.entries()) {
    const pin = pinAt.get(index);
    const pinnedWay = pin && wayById?.get(pin.wayId);
    const fits = pinnedWay?.pitch === note.pitch;
    if (pin && !fits) brokenPins.push(pin);
    const plays = fits ? costs.numbersOf(pinnedWay, instrument) : byPitch.get(note.pitch);
    if (!plays) continue;
    layers.push(plays);
    free.push(byPitch.get(note.pitch) ?? plays);
    const before = played[played.length - 1];
    const { pitch, beats, start } = note;
    played.push({ pitch, beats, start, index, since: before ? start - before.start : 0 });
  }
  return { layers, played, brokenPins, free };
}

function solveLine(layers: Layers, played: readonly NoteInLine[], costs: CostTable): Solution {
  const moments = played.map((note) => costs.at(note));
  const solution = solve<number>({
    layers,
    stateCost: (play, layer) => moments[layer]!.own(play),
    stepCost: (from, to, layer) => moments[layer]!.step(from, to),
  });
  if (!solution.ok) throw new Error(`solveLine: no path at note ${solution.layer}: a cost is infinite`);
  return solution;
}

/** Loads of each note along a path, the step that leads to it included. */
function loadsAlong(
  through: Layers,
  played: readonly NoteInLine[],
  path: readonly number[],
  costs: CostTable,
): Loads[] {
  const numberAt = (layer: number) => through[layer]![path[layer]!]!;
  return played.map((note, layer) => {
    const own = costs.ownLoads(numberAt(layer), note);
    if (layer === 0) return own;
    const step = costs.stepLoads(numberAt(layer - 1), numberAt(layer), note);
    return own.map((load, i) => load + (step[i] ?? 0));
  });
}
