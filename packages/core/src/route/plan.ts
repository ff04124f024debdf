import { AIR_BUTTON } from '../families/generalTerms.ts';
import type { PlayedHold } from '../families/way.ts';
import { reachedBy, solve, type Layer, type Solution } from '../solver/solver.ts';
import type { NoteTiming } from '../time/noteTiming.ts';
import { airBalance, type AirBalance } from './air.ts';
import { bellowsFor } from './bellows.ts';
import type { RoutingContext } from './context.ts';
import { effortOf, type Effort } from './effort.ts';
import type { Onset } from './onsets.ts';
import { exceedsLimit, type StateSet, type When } from './states.ts';

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
 * Lays the states of a line out and solves it. Where air is limited the line is first solved without minding it: if the
 * bellows then never run out, nothing that minds them costs less.
 * @param timings of the onsets, one each
 */
export function planOf(
  context: RoutingContext,
  onsets: readonly Onset[],
  timings: readonly NoteTiming[],
): Plan {
  const heedless = layOut(context, onsets, timings, undefined);
  const { airCapacity } = context.instrument;
  if (airCapacity === undefined) return heedless;
  const { helps } = airBalance(heedless.played(heedless.solution.path), airCapacity);
  return helps.length === 0 ? heedless : planWithAir(context, onsets, timings);
}

/** The same with every state minding the bellows, for asking what other ways would cost. */
export function planWithAir(
  context: RoutingContext,
  onsets: readonly Onset[],
  timings: readonly NoteTiming[],
): Plan {
  const { instrument, chosen } = context;
  if (instrument.airCapacity === undefined) return layOut(context, onsets, timings, undefined);
  const lengths = onsets.map(({ length }) => length);
  const weight = chosen.weights[instrument.family.terms.findIndex((term) => term.id === AIR_BUTTON.id)]!;
  return layOut(context, onsets, timings, { ...bellowsFor(lengths, instrument.airCapacity), weight });
}

function layOut(
  { states }: RoutingContext,
  onsets: readonly Onset[],
  timings: readonly NoteTiming[],
  bellows: When['bellows'],
): Plan {
  const sets: StateSet[] = [];
  const layers: Layer[] = [];
  let reached: readonly number[] = [];
  let upTo = 0;
  let exact = true;
  for (let i = 0; i < onsets.length; i += 1) {
    const { choices, length } = onsets[i]!;
    let entered = states.enter(sets[i - 1], choices, { timing: timings[i]!, length, bellows });
    if (exceedsLimit(entered.set, choices)) {
      for (; upTo < i; upTo += 1) reached = reachedBy(reached, layers[upTo]!);
      entered = states.pruned(entered, reachedBy(reached, entered.layer));
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

/** What played holds cost, and what they do to the air. */
export function effortAlong(
  { instrument, chosen, costs }: RoutingContext,
  played: readonly PlayedHold[],
): { readonly effort: Effort; readonly air: AirBalance } {
  const { terms, air: breathes } = instrument.family;
  const air = airBalance(breathes ? played : [], instrument.airCapacity);
  const sums = terms.map(({ id }) => {
    const helps = id === AIR_BUTTON.id ? air.helps.length : 0;
    return { sum: helps, falls: helps };
  });
  for (const [i, { hold, carried, timing }] of played.entries())
    costs.addTo(sums, played[i - 1]?.hold, hold, carried, timing);
  return { effort: effortOf(terms, chosen.weights, sums), air };
}
