import type { PlayedHold, Way } from '../families/way.ts';
import { timingsOf, type Counting } from '../time/noteTiming.ts';
import type { RoutingContext } from './context.ts';
import type { Effort } from './effort.ts';
import type { LineNote } from './line.ts';
import { onsetsOf } from './onsets.ts';
import type { Pin } from './pin.ts';
import type { AirPlaces } from './air.ts';
import { effortAlong, heedlessPlan, planWithAir, steeringStore, type Plan } from './plan.ts';

/** Another way for one note and what it would change over the whole line. */
export interface Alternative {
  readonly way: Way;
  /** It only repeats the pitch with a harder technique: never taken freely, even where it would cost less. */
  readonly redundant: boolean;
  /** Difference of the total; never below 0 but for rounding when nothing is pinned and it is not redundant. */
  readonly difference: number;
  /** Differences by term, only those that differ: counts as the player counts, and what they cost. */
  readonly terms: readonly {
    readonly id: string;
    readonly label: string;
    /** 0 where as many are harder or easier. */
    readonly difference: number;
    readonly cost: number;
  }[];
  /** Ids of other notes of the line that would then be played differently. */
  readonly alsoChanges: readonly string[];
}

/** The line as it was routed. */
export interface Routed {
  readonly context: RoutingContext;
  readonly line: readonly LineNote[];
  readonly pins: readonly Pin[];
  readonly metre: Counting;
  readonly places: AirPlaces;
  readonly plan: Plan;
  readonly effort: Effort;
}

/**
 * All other ways of one note, the least difference first and redundant ones last; empty for a note that is missing.
 * The costs of the whole line through each way come from the solver's table, so one note takes no longer than the route.
 */
export function alternativesTo(routed: Routed, noteId: string): readonly Alternative[] {
  const { context, pins, places, plan, effort } = routed;
  const at = plan.onsets.findIndex(({ noteIds }) => noteIds.includes(noteId));
  if (at < 0) return [];
  const note = plan.onsets[at]!.noteIds.indexOf(noteId);
  const pitch = plan.onsets[at]!.pitches[note]!;
  const isRedundant = new Set(context.redundant(pitch).map(({ way }) => way));
  const isPinned = pins.some((pin) => pin.noteId === noteId);
  const freed = isPinned || isRedundant.size > 0 ? noteId : undefined;
  const now = plan.played(plan.solution.path);
  const current = now[at]!.hold[note]!.way;
  const best = new Map<Way, { played: readonly PlayedHold[]; there: Effort }>();
  for (const open of plansFor(routed, freed))
    for (const [way, state] of cheapestThrough(open, at, note)) {
      if (way === current) continue;
      const played = open.played(open.solution.pathThrough(at, state)!);
      const there = effortAlong(context, played, places);
      if (there.total < (best.get(way)?.there.total ?? Infinity)) best.set(way, { played, there });
    }
  const found = [...best].map(([way, { played, there }]): Alternative => {
    return {
      way,
      redundant: isRedundant.has(way),
      difference: there.total - effort.total,
      terms: termDifferences(effort, there),
      alsoChanges: changedNotes(now, played).filter((id) => id !== noteId),
    };
  });
  return found.sort((a, b) => Number(a.redundant) - Number(b.redundant) || a.difference - b.difference);
}

/**
 * The line laid out with one note freed: heedless of air, and where ways decide whether it lasts once more with every state
 * minding it. Of the second some states are let go, so that a way may only be found in the first.
 */
function plansFor(
  { context, line, pins, metre, places, plan }: Routed,
  freed: string | undefined,
): readonly Plan[] {
  const isSteered = steeringStore(context) !== undefined;
  if (freed === undefined && !isSteered) return [plan];
  const { onsets } = onsetsOf(context, line, pins, freed);
  const timings = timingsOf(metre, onsets);
  const heedless = heedlessPlan(context, onsets, timings);
  return isSteered ? [heedless, planWithAir(context, onsets, timings, places)] : [heedless];
}

/** Of each way of a note the state through which the line costs least; none for a way that was let go. */
function cheapestThrough({ sets, solution }: Plan, at: number, note: number): ReadonlyMap<Way, number> {
  const best = new Map<Way, { state: number; total: number }>();
  for (const [state, { hold }] of sets[at]!.states.entries()) {
    const way = hold[note]?.way;
    const total = solution.totalThrough(at, state);
    if (way === undefined || total >= (best.get(way)?.total ?? Infinity)) continue;
    best.set(way, { state, total });
  }
  return new Map([...best].map(([way, { state }]) => [way, state]));
}

/** A difference of effort that nobody feels is not told. */
const FELT = 0.05;

function termDifferences(from: Effort, to: Effort): Alternative['terms'] {
  return to.terms.flatMap((term, i) => {
    const difference = Math.round((term.count - from.terms[i]!.count) * 10) / 10;
    const cost = term.cost - from.terms[i]!.cost;
    const { id, label } = term;
    return difference === 0 && Math.abs(cost) < FELT ? [] : [{ id, label, difference, cost }];
  });
}

/** Notes that two ways of playing a line play differently. */
function changedNotes(before: readonly PlayedHold[], after: readonly PlayedHold[]): readonly string[] {
  return before.flatMap(({ noteIds, hold }, i) =>
    noteIds.filter((_, n) => after[i]!.hold[n]?.way !== hold[n]!.way),
  );
}
