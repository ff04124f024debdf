import type { Remark, SettingChange, Way } from '../families/way.ts';
import { metre } from '../time/metre.ts';
import { timingsOf, type Counting } from '../time/noteTiming.ts';
import { QUARTER } from '../time/ticks.ts';
import { NO_PLACES, type AirBalance, type AirPlaces } from './air.ts';
import { alternativesTo, type Alternative } from './alternatives.ts';
import type { RoutingContext } from './context.ts';
import type { Effort } from './effort.ts';
import type { LineNote } from './line.ts';
import type { Missing } from './missing.ts';
import { onsetsOf, singleOnset } from './onsets.ts';
import type { Pin } from './pin.ts';
import { airAlong, effortAlong, planOf } from './plan.ts';

/** A note of a line with the way chosen for it, or the reason why there is none. */
export type RouteNote = LineNote & {
  readonly pinned: boolean;
} & (
    | { readonly way: Way; readonly fingering: string | undefined; readonly missing?: undefined }
    | { readonly way?: undefined; readonly fingering?: undefined; readonly missing: Missing }
  );

/** One way for every note of a line. Notes that cannot be had are passed over and named. */
export interface Route {
  /** In the order of the line. */
  readonly notes: readonly RouteNote[];
  readonly effort: Effort;
  readonly air: AirBalance;
  /** False where it may not be the very best, since too much had to be remembered along the line. */
  readonly exact: boolean;
  /** What to do at single notes, in the family's words. */
  remarks(): readonly Remark[];
  /** What is set otherwise along the line, such as levers. */
  changes(): readonly SettingChange[];
  /** Pins that fit no note of the line, or no way of their note on this instrument. */
  readonly brokenPins: readonly Pin[];
  /** All other ways of one note, worked out when they are asked for. */
  alternatives(noteId: string): readonly Alternative[];
}

export interface RouteOptions {
  readonly pins?: readonly Pin[];
  /** Common time without a pickup when left out. */
  readonly metre?: Counting;
  /** Where air can be had; anywhere alike when left out. */
  readonly places?: AirPlaces;
}

const COMMON_TIME = metre('4/4');

/** Routes a line over an instrument: exact for the preferences given, honouring the pins. */
export function routeLine(
  context: RoutingContext,
  line: readonly LineNote[],
  { pins = [], metre: counted = COMMON_TIME, places = NO_PLACES }: RouteOptions = {},
): Route {
  const { onsets, missing, brokenPins } = onsetsOf(context, line, pins);
  const plan = planOf(context, onsets, timingsOf(counted, onsets), places);
  const played = plan.played(plan.solution.path);
  const effort = effortAlong(context, played, places);
  const holdAt = new Map(played.map((hold) => [hold.onset, hold]));
  const broken = new Set(brokenPins);
  const isPinned = new Set(pins.filter((pin) => !broken.has(pin)).map((pin) => pin.noteId));
  const notes = line.map((note): RouteNote => {
    const { id, pitch, onset, length } = note;
    const found = holdAt.get(onset)?.hold.find((sounded) => sounded.way.pitch === pitch);
    const pinned = isPinned.has(id);
    if (!found) return { id, pitch, onset, length, pinned, missing: missing.get(id)! };
    const { way, fingering } = found;
    return { id, pitch, onset, length, pinned, way, fingering };
  });
  return {
    notes,
    effort,
    air: airAlong(context, played, places),
    exact: plan.exact,
    brokenPins,
    remarks: () => context.instrument.remarks(played, context.chosen.options),
    changes: () => context.instrument.changes(played),
    alternatives: (noteId) =>
      alternativesTo({ context, line, pins, metre: counted, places, plan, effort }, noteId),
  };
}

/** Timings of the quarters of an octave, the same for all that is routed quickly. */
const QUARTERS = timingsOf(
  COMMON_TIME,
  Array.from({ length: 13 }, (_, i) => ({ onset: i * QUARTER, length: QUARTER })),
);

/** The route of a line without what only Map shows. */
export interface QuickRoute {
  readonly total: number;
  readonly ways: readonly Way[];
  effort(): Effort;
}

/** Routes single notes of a quarter each that can all be had. @throws for a pitch that cannot be had */
export function quickRoute(context: RoutingContext, pitches: readonly number[]): QuickRoute {
  const onsets = pitches.map((pitch, i) => {
    const note = { id: String(i), pitch, onset: i * QUARTER, length: QUARTER };
    const onset = singleOnset(context, note);
    if (!onset) throw new Error(`quickRoute: ${pitch} cannot be had`);
    return onset;
  });
  const timings = pitches.length <= QUARTERS.length ? QUARTERS : timingsOf(COMMON_TIME, onsets);
  const plan = planOf(context, onsets, timings);
  const { path, total } = plan.solution;
  return {
    total,
    ways: path.map((state, i) => plan.sets[i]!.states[state]!.hold[0]!.way),
    effort: () => effortAlong(context, plan.played(path)),
  };
}
