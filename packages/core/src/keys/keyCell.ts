import type { Instrument } from '../instrument/instrument.ts';
import { noteCode } from '../pitch/noteName.ts';
import type { Pitch } from '../pitch/pitch.ts';
import { scaleInRange } from '../route/missing.ts';
import type { Preferences } from '../route/preferences.ts';
import { routingContext, type RoutingContext } from '../route/context.ts';
import { quickRoute, type QuickRoute } from '../route/route.ts';
import { aboveHome, type Key } from '../scale/scale.ts';

/** A complete octave of a scale, home to home, and what it costs upwards. */
export interface OctaveFit {
  readonly from: Pitch;
  /** Weighted effort of the octave; only ranks. */
  readonly total: number;
  /** Techniques used that an average pupil cannot rely on, and those with a caution. */
  readonly hard: readonly string[];
}

/** What a line asks: the parts of its effort that are not nothing, counted as the player counts. */
export type Demands = readonly { readonly id: string; readonly label: string; readonly count: number }[];

/** How well one key lies on one instrument. */
export interface KeyCell {
  /** Code of the tonic, for links. */
  readonly tonic: string;
  readonly home: number;
  readonly scale: string;
  /** Notes of one octave, home at both ends. */
  readonly notes: number;
  /** Scale pitches within the instrument's compass: those that can be had, and all. */
  readonly have: number;
  readonly of: number;
  /** Complete octaves, rising. */
  readonly octaves: readonly OctaveFit[];
  /** Index of the octave that costs least; undefined where none is complete. */
  readonly best: number | undefined;
  /** What that octave asks; nothing where there is none. */
  readonly demands: Demands;
  /** Scale pitches within the compass that cannot be had, rising. */
  readonly missing: readonly Pitch[];
  /** The instrument's own words about the key: its position … */
  readonly facts: readonly string[];
}

/** Contexts to route in, for one instrument, prepared once for each way that it is set. */
export function contextsFor(preferences: Preferences): (instrument: Instrument) => RoutingContext {
  const known = new Map<Instrument, RoutingContext>();
  let first: RoutingContext | undefined;
  return (instrument) => {
    const context = known.get(instrument) ?? routingContext(instrument, preferences, first);
    first ??= context;
    known.set(instrument, context);
    return context;
  };
}

/** Works out one cell. */
export function keyCell(
  base: Instrument,
  key: Key,
  contextFor: (instrument: Instrument) => RoutingContext,
): KeyCell {
  const instrument = base.forKey(key);
  const context = contextFor(instrument);
  const { wanted, missing, octaves: routes } = octavesOf(context, key);
  const octaves = routes.map(({ from, route }): OctaveFit => {
    return { from, total: route.total, hard: hardOf(context, route) };
  });
  const best = octaves.reduce<number | undefined>(
    (least, octave, i) => (least === undefined || octave.total < octaves[least]!.total ? i : least),
    undefined,
  );
  return {
    tonic: noteCode(key.tonic),
    home: key.home,
    scale: key.scale.id,
    notes: key.scale.semitones.length + 1,
    have: wanted.length - missing.length,
    of: wanted.length,
    octaves,
    best,
    demands: best === undefined ? [] : demandsOf(routes[best]!.route),
    missing,
    facts: instrument.facts(key),
  };
}

/** An octave of a cell as it is played. */
export interface OctaveInFull extends OctaveFit {
  readonly demands: Demands;
  /** Note by note from home up to home, in tab. */
  readonly tab: readonly string[];
}

/** The octaves of one cell in full, rising. */
export function octavesInFull(
  base: Instrument,
  key: Key,
  preferences: Preferences,
  dialect: string,
): readonly OctaveInFull[] {
  const instrument = base.forKey(key);
  const context = routingContext(instrument, preferences);
  return octavesOf(context, key).octaves.map(({ from, route }) => ({
    from,
    total: route.total,
    hard: hardOf(context, route),
    demands: demandsOf(route),
    tab: route.ways.map((way) => instrument.tab(way, dialect)),
  }));
}

/** Scale pitches within the range, those that are missing, and a route up every complete octave. */
function octavesOf(context: RoutingContext, key: Key) {
  const { wanted, missing } = scaleInRange(context, key);
  const octaves = wanted.flatMap((from) => {
    if (aboveHome(key, from) !== 0) return [];
    const pitches = [...key.scale.semitones.map((s) => from + s), from + 12];
    const whole = pitches.every((pitch) => context.has(pitch));
    return whole ? [{ from, route: quickRoute(context, pitches) }] : [];
  });
  return { wanted, missing, octaves };
}

function hardOf({ instrument }: RoutingContext, { ways }: QuickRoute): readonly string[] {
  return instrument.family.techniques
    .filter((t) => (!t.safe || t.caution) && ways.some((way) => way.technique === t.id))
    .map((t) => t.id);
}

function demandsOf(route: QuickRoute): Demands {
  const felt = route.effort().terms.filter((term) => term.count > 0);
  return felt.map(({ id, label, count }) => ({ id, label, count }));
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
