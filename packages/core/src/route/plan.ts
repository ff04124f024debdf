import { AIR_TERMS } from '../families/generalTerms.ts';
import type { AirStore } from '../families/air.ts';
import type { Family } from '../families/contract.ts';
import type { TermInfo } from '../families/effortTerm.ts';
import type { PlayedHold } from '../families/way.ts';
import { reachedBy, solve, type Layer, type Solution } from '../solver/solver.ts';
import type { NoteTiming } from '../time/noteTiming.ts';
import { airBalance, airShortages, NO_PLACES, type AirBalance, type AirPlaces } from './air.ts';
import { airUses } from './airState.ts';
import type { RoutingContext } from './context.ts';
import { effortOf, type Effort } from './effort.ts';
import type { Onset } from './onsets.ts';
import {
  AIR_STATES_LIMIT,
  CHORD_STATES_LIMIT,
  exceedsLimit,
  STATES_LIMIT,
  type Choices,
  type StateSet,
  type When,
} from './states.ts';

/** The best path through the onsets of a line, and what is needed to ask for others. */
export interface Plan {
  readonly onsets: readonly Onset[];
  readonly sets: readonly StateSet[];
  readonly solution: Solution;
  /** False where so many states came together that some had to be let go: it may then not be the very best. */
  readonly exact: boolean;
  /** The holds of a path, as they are played. */
  played(path: readonly number[]): readonly PlayedHold[];
}

/**
 * Lays the states of a line out and solves it. Where air is limited the line is first solved without minding it: if it
 * then never runs out, nothing that minds it costs less.
 * @param timings of the onsets, one each
 */
export function planOf(
  context: RoutingContext,
  onsets: readonly Onset[],
  timings: readonly NoteTiming[],
  places: AirPlaces = NO_PLACES,
): Plan {
  const heedless = heedlessPlan(context, onsets, timings);
  const store = steeringStore(context);
  if (!store) return heedless;
  const shortages = airShortages(context.instrument, heedless.played(heedless.solution.path), store, places);
  return shortages === 0 ? heedless : planWithAir(context, onsets, timings, places);
}

/** The states of a line laid out and solved without minding the air. */
export function heedlessPlan(
  context: RoutingContext,
  onsets: readonly Onset[],
  timings: readonly NoteTiming[],
): Plan {
  return layOut(context, onsets, timings);
}

/** The same with every state minding the air. */
export function planWithAir(
  context: RoutingContext,
  onsets: readonly Onset[],
  timings: readonly NoteTiming[],
  places: AirPlaces = NO_PLACES,
): Plan {
  const { instrument, chosen } = context;
  const store = steeringStore(context);
  if (!store) return layOut(context, onsets, timings);
  const term = airTermOf(instrument.family)!;
  const weight = chosen.weights[instrument.family.terms.findIndex(({ id }) => id === term.id)]!;
  const timed = onsets.map(({ pitches }, i) => ({ pitches, timing: timings[i]! }));
  const uses = airUses(timed, store, (i) => onsets[i]!.noteIds.some((id) => places.isBreath(id)));
  return layOut(
    context,
    onsets,
    timings,
    uses.map((use) => ({ kind: instrument.family.airKind!, use, weight })),
  );
}

/** What running out of air counts as; undefined where the ways of a line do not matter to it. */
function airTermOf({ airKind }: Family): TermInfo | undefined {
  return airKind && AIR_TERMS[airKind]?.[0];
}

/** How long air lasts, where what is chosen decides whether it does. */
export function steeringStore({ instrument, chosen }: RoutingContext): AirStore | undefined {
  return airTermOf(instrument.family) && instrument.airStore(chosen.options);
}

/** Most pairs of a hold and the next that a whole line is chosen among; beyond it only the easiest holds of each chord. */
const PAIRS_LIMIT = 250_000;

function pairsOf(open: readonly Choices[]): number {
  return open.reduce((sum, { holds }, i) => sum + holds.length * (open[i - 1]?.holds.length ?? 1), 0);
}

function layOut(
  { states }: RoutingContext,
  onsets: readonly Onset[],
  timings: readonly NoteTiming[],
  airs: readonly When['air'][] = [],
): Plan {
  const sets: StateSet[] = [];
  const layers: Layer[] = [];
  let reached: readonly number[] = [];
  let upTo = 0;
  const all = onsets.map(({ choices }) => choices);
  const isTooMuch = pairsOf(all) > PAIRS_LIMIT;
  const open = isTooMuch ? onsets.map(({ fewer }) => fewer()) : all;
  let exact = open.every((choices, i) => choices === all[i]);
  for (let i = 0; i < onsets.length; i += 1) {
    const choices = open[i]!;
    const limit = airs.length > 0 ? AIR_STATES_LIMIT : choices === all[i] ? STATES_LIMIT : CHORD_STATES_LIMIT;
    let entered = states.enter(sets[i - 1], choices, { timing: timings[i]!, air: airs[i] });
    if (exceedsLimit(entered.set, choices, limit)) {
      for (; upTo < i; upTo += 1) reached = reachedBy(reached, layers[upTo]!);
      entered = states.pruned(entered, reachedBy(reached, entered.layer), limit.kept);
      exact = false;
    }
    sets.push(entered.set);
    layers.push(entered.layer);
  }
  const solution = solve(layers);
  if (!solution.ok) throw new Error(`layOut: no path at onset ${solution.layer}: a cost is infinite`);
  return {
    onsets,
    sets,
    solution,
    exact,
    played: (path) =>
      path.map((state, i) => {
        const { onset, length, noteIds } = onsets[i]!;
        const carried = i === 0 ? '' : sets[i - 1]!.carried(path[i - 1]!);
        return { noteIds, onset, length, timing: timings[i]!, carried, hold: sets[i]!.states[state]!.hold };
      }),
  };
}

/** What played holds cost. */
export function effortAlong(
  context: RoutingContext,
  played: readonly PlayedHold[],
  places: AirPlaces = NO_PLACES,
): Effort {
  const { instrument, chosen, costs } = context;
  const { terms } = instrument.family;
  const store = steeringStore(context);
  const shortages = store ? airShortages(instrument, played, store, places) : 0;
  const air = airTermOf(instrument.family);
  const sums = terms.map(({ id }) => {
    const helps = id === air?.id ? shortages : 0;
    return { sum: helps, falls: helps, cost: helps };
  });
  for (const [i, { hold, carried, timing }] of played.entries())
    costs.addTo(sums, played[i - 1]?.hold, hold, carried, timing);
  return effortOf(terms, chosen.weights, sums);
}

/** What played holds do to the air. */
export function airAlong(
  context: RoutingContext,
  played: readonly PlayedHold[],
  places: AirPlaces = NO_PLACES,
): AirBalance {
  return airBalance(context.instrument, played, steeringStore(context), places);
}
