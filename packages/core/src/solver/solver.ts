/**
 * Exact shortest paths through layers: exactly one state of each layer is taken, in order. The solver knows nothing
 * else about what states and costs mean. Everything is numbers in flat arrays, since this is the innermost work of all
 * that is computed here; plain arrays, since most layers have few states and typed ones take longer to make.
 */

/** One layer: its states are numbered from 0. */
export interface Layer {
  /** Cost of being in each state, however it was reached. */
  readonly own: readonly number[];
  /** How its states are reached from the layer before; left out in the first layer. */
  readonly steps?: Steps;
}

/** The steps between two neighbouring layers, sorted by the state they lead to. */
export interface Steps {
  /** Steps to state `s` are those numbered from `begin[s]` up to but not including `begin[s + 1]`. */
  readonly begin: readonly number[];
  /** State of the layer before that each step comes from, rising among the steps to one state. */
  readonly from: readonly number[];
  readonly cost: readonly number[];
}

/** The cheapest path, and the cheapest paths through any other state. */
export interface Solution {
  readonly ok: true;
  /** State taken in each layer. */
  readonly path: readonly number[];
  readonly total: number;
  /** Total of the cheapest path forced through one state; Infinity where there is none. Constant time. */
  totalThrough(layer: number, state: number): number;
  /** The cheapest path forced through one state, or undefined. Linear in the number of layers. */
  pathThrough(layer: number, state: number): readonly number[] | undefined;
}

/** No path: the first layer that no allowed path reaches. */
export interface NoPath {
  readonly ok: false;
  readonly layer: number;
}

/** Differences smaller than this count as ties, so that rounding never decides between equal paths. */
const TIE = 1e-9;

/**
 * Steps from every state of one layer to every state of the next.
 * @param cost a finite cost of 0 or more, or Infinity for a step that is not allowed @throws for any other, naming it
 */
export function everyStep(
  fromCount: number,
  toCount: number,
  cost: (from: number, to: number) => number,
): Steps {
  const steps: { from: number; to: number; cost: number }[] = [];
  for (let to = 0; to < toCount; to += 1)
    for (let from = 0; from < fromCount; from += 1) steps.push({ from, to, cost: cost(from, to) });
  return someSteps(toCount, steps);
}

/** Steps given one by one, in any order. @throws for a cost that is NaN or negative */
export function someSteps(
  toCount: number,
  steps: readonly { readonly from: number; readonly to: number; readonly cost: number }[],
): Steps {
  const begin = new Array<number>(toCount + 1).fill(0);
  for (const { to } of steps) begin[to + 1]! += 1;
  for (let to = 0; to < toCount; to += 1) begin[to + 1]! += begin[to]!;
  const sorted = [...steps].sort((a, b) => a.to - b.to || a.from - b.from);
  return {
    begin,
    from: sorted.map((step) => step.from),
    cost: sorted.map((step) => checkedCost(step.cost)),
  };
}

/** A cost that may be used. @throws when it is NaN or negative */
export function checkedCost(cost: number): number {
  if (!(cost >= 0)) throw new Error(`solver: cost ${cost} is not a number from 0 to Infinity`);
  return cost;
}

/**
 * Exact dynamic programming, linear in the number of steps. Of equal paths the one with the lowest state at the latest
 * differing layer is taken, always the same one. The problem is not changed.
 */
export function solve(layers: readonly Layer[]): Solution | NoPath {
  const starts = startsOf(layers);
  const table = forwards(layers, starts);
  if ('ok' in table) return table;
  const last = layers.length - 1;
  const path = last < 0 ? [] : traceBack(table, last, lowest(table));
  const total = last < 0 ? 0 : table.forward[starts[last]! + path[last]!]!;
  let memo: Backwards | undefined;
  const rest = () => (memo ??= backwards(layers, starts));
  const totalThrough = (layer: number, state: number) =>
    table.forward[starts[layer]! + state]! + rest().backward[starts[layer]! + state]!;
  return {
    ok: true,
    path,
    total,
    totalThrough,
    pathThrough(layer, state) {
      if (totalThrough(layer, state) === Infinity) return undefined;
      const through = traceBack(table, layer, state);
      for (let l = layer; l < last; l += 1) through.push(rest().goesTo[starts[l]! + through[l]!]!);
      return through;
    },
  };
}

/** All states stand in one row; where each layer begins in it, and behind the last the length of the row. */
type Starts = readonly number[];

function startsOf(layers: readonly Layer[]): Starts {
  const starts = new Array<number>(layers.length + 1).fill(0);
  for (let layer = 0; layer < layers.length; layer += 1)
    starts[layer + 1] = starts[layer]! + layers[layer]!.own.length;
  return starts;
}

interface Forwards {
  readonly starts: Starts;
  /** Cost of the cheapest path to each state, its own included. */
  readonly forward: readonly number[];
  /** The state of the layer before on that path; −1 in the first layer and where there is none. */
  readonly cameFrom: readonly number[];
}

function forwards(layers: readonly Layer[], starts: Starts): Forwards | NoPath {
  const size = starts[layers.length]!;
  const forward = new Array<number>(size).fill(Infinity);
  const cameFrom = new Array<number>(size).fill(-1);
  for (let layer = 0; layer < layers.length; layer += 1) {
    const { own, steps } = layers[layer]!;
    const at = starts[layer]!;
    const before = layer === 0 ? 0 : starts[layer - 1]!;
    let reached = false;
    for (let state = 0; state < own.length; state += 1) {
      let least = layer === 0 ? 0 : Infinity;
      if (steps) {
        const { begin, from, cost } = steps;
        const end = begin[state + 1]!;
        for (let step = begin[state]!; step < end; step += 1) {
          const total = forward[before + from[step]!]! + cost[step]!;
          if (total < least - TIE) {
            least = total;
            cameFrom[at + state] = from[step]!;
          }
        }
      }
      const best = least + own[state]!;
      forward[at + state] = best;
      if (best !== Infinity) reached = true;
    }
    if (!reached) return { ok: false, layer };
  }
  return { starts, forward, cameFrom };
}

/**
 * Costs of the cheapest paths to the states of one layer, their own included.
 * @param before the same of the layer before; not looked at in the first layer
 */
export function reachedBy(before: readonly number[], { own, steps }: Layer): readonly number[] {
  if (!steps) return own;
  const { begin, from, cost } = steps;
  return own.map((costOfState, state) => {
    let least = Infinity;
    for (let step = begin[state]!; step < begin[state + 1]!; step += 1)
      least = Math.min(least, before[from[step]!]! + cost[step]!);
    return least + costOfState;
  });
}

interface Backwards {
  /** Cheapest cost from each state to the end, its own left out. */
  readonly backward: readonly number[];
  /** The state of the next layer on that path; −1 in the last layer and where there is none. */
  readonly goesTo: readonly number[];
}

function backwards(layers: readonly Layer[], starts: Starts): Backwards {
  const size = starts[layers.length]!;
  const backward = new Array<number>(size).fill(Infinity).fill(0, starts[layers.length - 1] ?? 0);
  const goesTo = new Array<number>(size).fill(-1);
  for (let layer = layers.length - 1; layer > 0; layer -= 1) {
    const { own, steps } = layers[layer]!;
    const { begin, from, cost } = steps!;
    const before = starts[layer - 1]!;
    for (let state = 0; state < own.length; state += 1) {
      const rest = own[state]! + backward[starts[layer]! + state]!;
      for (let step = begin[state]!; step < begin[state + 1]!; step += 1) {
        const total = cost[step]! + rest;
        if (total < backward[before + from[step]!]! - TIE) {
          backward[before + from[step]!] = total;
          goesTo[before + from[step]!] = state;
        }
      }
    }
  }
  return { backward, goesTo };
}

/** The first of the least costs of the last layer. */
function lowest({ starts, forward }: Forwards): number {
  const first = starts[starts.length - 2]!;
  let best = first;
  for (let i = first + 1; i < forward.length; i += 1) if (forward[i]! < forward[best]! - TIE) best = i;
  return best - first;
}

function traceBack({ starts, cameFrom }: Forwards, layer: number, state: number): number[] {
  const path = new Array<number>(layer + 1);
  path[layer] = state;
  for (let l = layer; l > 0; l -= 1) path[l - 1] = cameFrom[starts[l]! + path[l]!]!;
  return path;
}
