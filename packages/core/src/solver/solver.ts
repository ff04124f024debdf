/**
 * A problem in layers: exactly one state of each layer is taken, in order. The solver knows nothing else about it.
 * Costs are finite and not negative, or Infinity for what is not allowed.
 */
export interface LayeredProblem<S> {
  readonly layers: readonly (readonly S[])[];
  /** Cost of beginning in a state of the first layer. */
  startCost(state: S): number;
  /** Cost of going from a state of layer − 1 to a state of `layer`, that state's own cost included. */
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
  const forward: number[][] = [];
  const cameFrom: number[][] = [];
  // Plain loops over indices: this is the innermost work of everything that is computed here.
  for (let layer = 0; layer < layers.length; layer += 1) {
    const states = layers[layer]!;
    const best = new Array<number>(states.length).fill(Infinity);
    const from = new Array<number>(states.length).fill(-1);
    const before = layers[layer - 1];
    const soFarOf = forward[layer - 1];
    for (let s = 0; s < states.length; s += 1) {
      const state = states[s]!;
      if (!before) {
        best[s] = checked(problem.startCost(state), layer);
        continue;
      }
      for (let p = 0; p < before.length; p += 1) {
        const soFar = soFarOf![p]!;
        if (soFar === Infinity) continue;
        const total = soFar + checked(problem.stepCost(before[p]!, state, layer), layer);
        if (total < best[s]! - TIE) {
          best[s] = total;
          from[s] = p;
        }
      }
    }
    if (best.every((cost) => cost === Infinity)) return { ok: false, layer };
    forward.push(best);
    cameFrom.push(from);
  }
  const last = layers.length - 1;
  const path = layers.length === 0 ? [] : traceBack(cameFrom, last, lowest(forward[last]!));
  const total = layers.length === 0 ? 0 : forward[last]![path[last]!]!;
  return { ok: true, path, total, ...detours(problem, forward, cameFrom) };
}

function detours<S>(
  problem: LayeredProblem<S>,
  forward: readonly (readonly number[])[],
  cameFrom: readonly (readonly number[])[],
) {
  let memo: { backward: number[][]; goesTo: number[][] } | undefined;
  const rest = () => (memo ??= solveBackward(problem));
  const totalThrough = (layer: number, state: number) =>
    forward[layer]![state]! + rest().backward[layer]![state]!;
  const pathThrough = (layer: number, state: number) => {
    if (totalThrough(layer, state) === Infinity) return undefined;
    const path = traceBack(cameFrom, layer, state);
    for (let l = layer; l + 1 < problem.layers.length; l += 1) path.push(rest().goesTo[l]![path[l]!]!);
    return path;
  };
  return { totalThrough, pathThrough };
}

/** Cheapest cost from each state to the end, its own cost left out, and the next state taken. */
function solveBackward<S>(problem: LayeredProblem<S>) {
  const { layers } = problem;
  const backward: number[][] = layers.map((states) => new Array<number>(states.length).fill(0));
  const goesTo: number[][] = layers.map((states) => new Array<number>(states.length).fill(-1));
  for (let layer = layers.length - 2; layer >= 0; layer -= 1) {
    const states = layers[layer]!;
    const nexts = layers[layer + 1]!;
    const rest = backward[layer + 1]!;
    for (let s = 0; s < states.length; s += 1) {
      let best = Infinity;
      for (let n = 0; n < nexts.length; n += 1) {
        const total = problem.stepCost(states[s]!, nexts[n]!, layer + 1) + rest[n]!;
        if (total < best - TIE) {
          best = total;
          goesTo[layer]![s] = n;
        }
      }
      backward[layer]![s] = best;
    }
  }
  return { backward, goesTo };
}

function checked(cost: number, layer: number): number {
  if (!(cost >= 0))
    throw new Error(`solve: cost ${cost} at layer ${layer} is not a number from 0 to Infinity`);
  return cost;
}

function lowest(costs: readonly number[]): number {
  let best = 0;
  for (let i = 1; i < costs.length; i += 1) if (costs[i]! < costs[best]! - TIE) best = i;
  return best;
}

function traceBack(cameFrom: readonly (readonly number[])[], layer: number, state: number): number[] {
  const path = new Array<number>(layer + 1);
  path[layer] = state;
  for (let l = layer; l > 0; l -= 1) path[l - 1] = cameFrom[l]![path[l]!]!;
  return path;
}
