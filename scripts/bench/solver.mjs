import createGraph from 'ngraph.graph';
import { nba } from 'ngraph.path';
import { everyStep, solve } from '@same-song/core/route';
import { medianMs, ratio } from './measure.mjs';

/** Layers of states with fixed pseudo-random whole costs, the same at every run. */
function layered(layers, states) {
  let seed = 7;
  const next = () => (seed = (seed * 48271) % 2147483647);
  const start = Array.from({ length: states }, () => next() % 20);
  const steps = Array.from({ length: layers - 1 }, () =>
    Array.from({ length: states }, () => Array.from({ length: states }, () => 1 + (next() % 20))),
  );
  return [
    { own: start },
    ...steps.map((step) => ({
      own: Array.from({ length: states }, () => 0),
      steps: everyStep(states, states, (from, to) => step[from][to]),
    })),
  ];
}

/** The same problem for a general shortest-path library: a node per state, a source and a sink. */
function graphOf(layers) {
  const graph = createGraph();
  for (const [s, cost] of layers[0].own.entries()) graph.addLink('source', `0.${s}`, { cost });
  for (const [l, { own, steps }] of layers.entries())
    for (const to of own.keys())
      for (let i = steps?.begin[to] ?? 0; i < (steps?.begin[to + 1] ?? 0); i += 1)
        graph.addLink(`${l - 1}.${steps.from[i]}`, `${l}.${to}`, { cost: steps.cost[i] + own[to] });
  for (const s of layers.at(-1).own.keys()) graph.addLink(`${layers.length - 1}.${s}`, 'sink', { cost: 0 });
  return graph;
}

/** The least that any program must do: the same numbers in one flat array, added and compared. */
function flatTotal(layers) {
  let best = Float64Array.from(layers[0].own);
  for (let l = 1; l < layers.length; l += 1) {
    const { cost } = layers[l].steps;
    const next = new Float64Array(best.length);
    for (let to = 0, i = 0; to < next.length; to += 1) {
      let least = Infinity;
      for (let from = 0; from < best.length; from += 1, i += 1) {
        const total = best[from] + cost[i];
        if (total < least) least = total;
      }
      next[to] = least;
    }
    best = next;
  }
  return Math.min(...best);
}

function libraryTotal(graph) {
  const path = nba(graph, { oriented: true, distance: (_a, _b, link) => link.data.cost }).find(
    'source',
    'sink',
  );
  const nodes = path.map((node) => node.id).reverse();
  if (nodes[0] !== 'source') nodes.reverse();
  return nodes.slice(1).reduce((sum, id, i) => sum + graph.getLink(nodes[i], id).data.cost, 0);
}

/** Our solver against the library on the same graph; both must find the same cost. */
export async function solverRatios() {
  const problem = layered(2000, 4);
  const graph = graphOf(problem);
  const ours = solve(problem).total;
  const theirs = libraryTotal(graph);
  if (ours !== theirs) throw new Error(`solver: our total is ${ours}, the library's ${theirs}`);
  const library = await medianMs(() => libraryTotal(graph), 7);
  const own = await medianMs(() => solve(problem));
  if (flatTotal(problem) !== ours) throw new Error('solver: the flat loop finds another total');
  const flat = await medianMs(() => flatTotal(problem), 51);
  const many = await medianMs(() => solve(problem), 51);
  const short = layered(500, 4);
  // Many runs: another problem is compiled anew at first.
  const quarter = await medianMs(() => solve(short), 101);
  return [
    ratio('solve 2,000 layers of 4 states', own / library, 'a general shortest-path library, same cost'),
    ratio(
      'solve 2,000 layers of 4 states, bare',
      many / (2.5 * flat),
      '2.5 times a flat loop over the same numbers',
    ),
    ratio('solve 2,000 layers', own / (4 * quarter), 'four times 500 layers'),
  ];
}
