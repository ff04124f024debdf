import createGraph from 'ngraph.graph';
import { nba } from 'ngraph.path';
import { solve } from '@same-song/core';
import { medianMs, ratio } from './measure.mjs';

/** Layers of states with fixed pseudo-random whole costs, the same at every run. */
function layered(layers, states) {
  let seed = 7;
  const next = () => (seed = (seed * 48271) % 2147483647);
  const start = Array.from({ length: states }, () => next() % 20);
  const steps = Array.from({ length: layers - 1 }, () =>
    Array.from({ length: states }, () => Array.from({ length: states }, () => 1 + (next() % 20))),
  );
  const numbers = Array.from({ length: states }, (_, i) => i);
  return {
    layers: Array.from({ length: layers }, () => numbers),
    stateCost: (s, layer) => (layer === 0 ? start[s] : 0),
    stepCost: (from, to, layer) => steps[layer - 1][from][to],
  };
}

/** The same problem for a general shortest-path library: a node per state, a source and a sink. */
function graphOf({ layers, stateCost, stepCost }) {
  const graph = createGraph();
  for (const s of layers[0]) graph.addLink('source', `0.${s}`, { cost: stateCost(s, 0) });
  for (let l = 1; l < layers.length; l += 1) {
    for (const from of layers[l - 1])
      for (const to of layers[l])
        graph.addLink(`${l - 1}.${from}`, `${l}.${to}`, { cost: stepCost(from, to, l) + stateCost(to, l) });
  }
  for (const s of layers.at(-1)) graph.addLink(`${layers.length - 1}.${s}`, 'sink', { cost: 0 });
  return graph;
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
  const short = layered(500, 4);
  // Many runs: another problem is compiled anew at first.
  const quarter = await medianMs(() => solve(short), 101);
  return [
    ratio('solve 2,000 layers of 4 states', own / library, 'a general shortest-path library, same cost'),
    ratio('solve 2,000 layers', own / (4 * quarter), 'four times 500 layers'),
  ];
}
