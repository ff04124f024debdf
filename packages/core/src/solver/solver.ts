/**
 * A problem in layers: exactly one state of each layer is taken, in order. The solver knows nothing else about it.
 * Costs are finite and not negative, or Infinity for what is not allowed.
 */
export interface LayeredProblem<S> {
  readonly layers: readonly (readonly S[])[];
  /** Cost of being in a state of `layer`, however it was reached. */
  stateCost(state: S, layer: number): number;
  /** Cost of going from a state of layer − 1 to a state of `layer`, without that state's own. */
  stepCost(from: S, to: S, layer: number): number;
}

/** The cheapest path, and the cheapest paths through any other state. */
export interface Solution {
  readonly ok: true;
  /** Index of the state taken in each layer. */
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
 * Exact dynamic programming, linear in the number of layers. Of equal paths the one with the lowest state index at
 * the latest differing layer is taken, always the same one. The problem is not changed.
 * @throws when a cost is NaN or negative, naming the layer
 */
export function solve<S>(problem: LayeredProblem<S>): Solution | NoPath {
  const { layers } = problem;
  const starts = startsOf(layers);
  const size = starts[layers.length]!;
  const forward = new Array<number>(size).fill(Infinity);
  const own = new Array<number>(size).fill(0);
  const cameFrom = new Array<number>(size).fill(-1);
  // Plain loops over one array of all states: this is the innermost work of everything that is computed here.
  for (let layer = 0; layer < layers.length; layer += 1) {
    const states = layers[layer]!;
    const before = layers[layer - 1];
    const at = starts[layer]!;
    const atBefore = before ? starts[layer - 1]! : 0;
    let reached = false;
    for (let s = 0; s < states.length; s += 1) {
      const state = states[s]!;
      const cost = checked(problem.stateCost(state, layer), layer);
      own[at + s] = cost;
      let best = before ? Infinity : cost;
      for (let p = 0; before && p < before.length; p += 1) {
        const soFar = forward[atBefore + p]!;
        if (soFar === Infinity) continue;
        const total = soFar + checked(problem.stepCost(before[p]!, state, layer), layer) + cost;
        if (total < best - TIE) {
          best = total;
          cameFrom[at + s] = p;
        }
      }
      forward[at + s] = best;
      if (best !== Infinity) reached = true;
    }
    if (!reached) return { ok: false, layer };
  }
  const table: Table = { starts, own, forward, cameFrom };
  const last = layers.length - 1;
  const path = layers.length === 0 ? [] : traceBack(table, last, lowest(forward, starts[last]!, size));
  const total = layers.length === 0 ? 0 : forward[starts[last]! + path[last]!]!;
  return { ok: true, path, total, ...detours(problem, table) };
}

/** What the way forward found out, all states in one row. */
interface Table {
  /** Where each layer begins in the row, and behind the last the length of the row. */
  readonly starts: readonly number[];
  readonly own: readonly number[];
  /** Cost of the cheapest path to each state, its own included. */
  readonly forward: readonly number[];
  /** Index in the layer before of the state that path comes from; −1 where there is none. */
  readonly cameFrom: readonly number[];
}

function startsOf(layers: readonly (readonly unknown[])[]): readonly number[] {
  const starts = new Array<number>(layers.length + 1);
  starts[0] = 0;
  for (let layer = 0; layer < layers.length; layer += 1)
    starts[layer + 1] = starts[layer]! + layers[layer]!.length;
  return starts;
}

function detours<S>(problem: LayeredProblem<S>, table: Table) {
  const { starts, forward } = table;
  let memo: ReturnType<typeof solveBackward> | undefined;
  const rest = () => (memo ??= solveBackward(problem, table));
  const totalThrough = (layer: number, state: number) =>
    forward[starts[layer]! + state]! + rest().backward[starts[layer]! + state]!;
  const pathThrough = (layer: number, state: number) => {
    if (totalThrough(layer, state) === Infinity) return undefined;
    const path = traceBack(table, layer, state);
    for (let l = layer; l + 1 < problem.layers.length; l += 1)
      path.push(rest().goesTo[starts[l]! + path[l]!]!);
    return path;
  };
  return { totalThrough, pathThrough };
}

/** Cheapest cost from each state to the end, its own cost left out, and the next state taken. */
function solveBackward<S>(problem: LayeredProblem<S>, { starts, own }: Table) {
  const { layers } = problem;
  const backward = new Array<number>(own.length).fill(0);
  const goesTo = new Array<number>(own.length).fill(-1);
  for (let layer = layers.length - 2; layer >= 0; layer -= 1) {
    const states = layers[layer]!;
    const nexts = layers[layer + 1]!;
    const atNext = starts[layer + 1]!;
    for (let s = 0; s < states.length; s += 1) {
      let best = Infinity;
      for (let n = 0; n < nexts.length; n += 1) {
        const rest = own[atNext + n]! + backward[atNext + n]!;
        const total = problem.stepCost(states[s]!, nexts[n]!, layer + 1) + rest;
        if (total < best - TIE) {
          best = total;
          goesTo[starts[layer]! + s] = n;
        }
      }
      backward[starts[layer]! + s] = best;
    }
  }
  return { backward, goesTo };
}

function checked(cost: number, layer: number): number {
  if (!(cost >= 0))
    throw new Error(`solve: cost ${cost} at layer ${layer} is not a number from 0 to Infinity`);
  return cost;
}

/** Index, counted from `from`, of the least cost of a stretch of the row. */
function lowest(costs: readonly number[], from: number, end: number): number {
  let best = from;
  for (let i = from + 1; i < end; i += 1) if (costs[i]! < costs[best]! - TIE) best = i;
  return best - from;
}

function traceBack({ starts, cameFrom }: Table, layer: number, state: number): number[] {
  const path = new Array<number>(layer + 1);
  path[layer] = state;
  for (let l = layer; l > 0; l -= 1) path[l - 1] = cameFrom[starts[l]! + path[l]!]!;
  return path;
}
