import type { PlayedHold, Way } from '../families/way.ts';
import { timingsOf, type Counting } from '../time/noteTiming.ts';
import type { RoutingContext } from './context.ts';
import type { Effort } from './effort.ts';
import type { LineNote } from './line.ts';
import { onsetsOf } from './onsets.ts';
import type { Pin } from './pin.ts';
import { effortAlong, planWithAir, type Plan } from './plan.ts';

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
  readonly plan: Plan;
  readonly effort: Effort;
}

/**
 * All other ways of one note, the least difference first and redundant ones last; empty for a note that is missing.
 * The costs of the whole line through each way come from the solver's table, so one note takes no longer than the route.
 */
export function alternativesTo(routed: Routed, noteId: string): readonly Alternative[] {
  const { context, pins, plan, effort } = routed;
  const at = plan.onsets.findIndex(({ noteIds }) => noteIds.includes(noteId));
  if (at < 0) return [];
  const note = plan.onsets[at]!.noteIds.indexOf(noteId);
  const pitch = plan.onsets[at]!.pitches[note]!;
  const isRedundant = new Set(context.redundant(pitch).map(({ way }) => way));
  const isPinned = pins.some((pin) => pin.noteId === noteId);
  const freed = isPinned || isRedundant.size > 0 ? noteId : undefined;
  const minding = context.instrument.airCapacity !== undefined;
  const open = freed === undefined && !minding ? plan : replanned(routed, freed);
  const now = plan.played(plan.solution.path);
  const current = now[at]!.hold[note]!.way;
  const best = new Map<Way, { state: number; total: number }>();
  for (const [state, { hold }] of open.sets[at]!.states.entries()) {
    const way = hold[note]?.way;
    const total = open.solution.totalThrough(at, state);
    if (way === undefined || way === current || total >= (best.get(way)?.total ?? Infinity)) continue;
    best.set(way, { state, total });
  }
  const found = [...best].map(([way, { state }]): Alternative => {
    const played = open.played(open.solution.pathThrough(at, state)!);
    const there = effortAlong(context, played).effort;
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

/** The line laid out anew, with one note freed, so that every state minds the air. */
function replanned({ context, line, pins, metre }: Routed, freed: string | undefined): Plan {
  const { onsets } = onsetsOf(context, line, pins, freed);
  return planWithAir(context, onsets, timingsOf(metre, onsets));
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
