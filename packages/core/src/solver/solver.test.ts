import fc from 'fast-check';
import { solve, type LayeredProblem } from './solver.ts';

/** A problem over tables: costs of states and, per layer, of steps from row to column; null is not allowed. */
interface Tables {
  own: (number | null)[][];
  steps: (number | null)[][][];
}

const cost = fc.oneof(
  { weight: 5, arbitrary: fc.integer({ min: 0, max: 6 }) },
  { weight: 1, arbitrary: fc.constant(null) },
);

const tables: fc.Arbitrary<Tables> = fc
  .array(fc.integer({ min: 1, max: 4 }), { minLength: 1, maxLength: 6 })
  .chain((sizes) =>
    fc.record({
      own: fc.tuple(...sizes.map((size) => fc.array(cost, { minLength: size, maxLength: size }))),
      steps: fc.tuple(
        ...sizes.slice(1).map((size, i) =>
          fc.array(fc.array(cost, { minLength: size, maxLength: size }), {
            minLength: sizes[i]!,
            maxLength: sizes[i]!,
          }),
        ),
      ) as fc.Arbitrary<(number | null)[][][]>,
    }),
  );

function problemOf({ own, steps }: Tables): LayeredProblem<number> {
  return {
    layers: own.map((costs) => costs.map((_, i) => i)),
    stateCost: (s, layer) => own[layer]![s] ?? Infinity,
    stepCost: (from, to, layer) => steps[layer - 1]![from]![to] ?? Infinity,
  };
}

function everyPath({ layers }: LayeredProblem<number>): number[][] {
  return layers.reduce<number[][]>((paths, layer) => paths.flatMap((p) => layer.map((s) => [...p, s])), [[]]);
}

function costOf(problem: LayeredProblem<number>, path: readonly number[]): number {
  return path.reduce(
    (sum, s, i) => sum + problem.stateCost(s, i) + (i === 0 ? 0 : problem.stepCost(path[i - 1]!, s, i)),
    0,
  );
}

test('the cost is that of the best of all paths, and no path is reported at the first unreachable layer', () => {
  fc.assert(
    fc.property(tables, (t) => {
      const problem = problemOf(t);
      const best = Math.min(...everyPath(problem).map((p) => costOf(problem, p)));
      const found = solve(problem);
      if (found.ok) {
        expect(found.total).toBe(best);
        expect(costOf(problem, found.path)).toBe(best);
        return;
      }
      expect(best).toBe(Infinity);
      const cut = (length: number) => ({ ...problem, layers: problem.layers.slice(0, length) });
      const reachable = (length: number) => everyPath(cut(length)).some((p) => costOf(problem, p) < Infinity);
      expect(reachable(found.layer + 1)).toBe(false);
      expect(found.layer === 0 || reachable(found.layer)).toBe(true);
    }),
    { numRuns: 300 },
  );
});

test('the best path through any state is the best of all paths that hold it', () => {
  fc.assert(
    fc.property(tables, (t) => {
      const problem = problemOf(t);
      const found = solve(problem);
      if (!found.ok) return;
      for (const [layer, states] of problem.layers.entries()) {
        for (const state of states) {
          const through = everyPath(problem).filter((p) => p[layer] === state);
          const best = Math.min(...through.map((p) => costOf(problem, p)));
          expect(found.totalThrough(layer, state)).toBe(best);
          const path = found.pathThrough(layer, state);
          expect(path === undefined).toBe(best === Infinity);
          if (path) expect([path[layer], costOf(problem, path)]).toEqual([state, best]);
        }
      }
    }),
    { numRuns: 150 },
  );
});

test('equal paths: always the same one, with the lowest index, however costs are rounded', () => {
  const layers = [
    [0, 1],
    [0, 1],
    [0, 1],
  ];
  const problem = {
    layers,
    stateCost: (_: number, layer: number) => (layer === 0 ? 0.1 : 0),
    stepCost: (a: number, b: number) => (a === b ? 0.1 + 0.2 : 0.3),
  };
  const found = solve(problem);
  expect(found.ok && found.path).toEqual([0, 0, 0]);
});

test('an empty line costs nothing, an empty layer is no path, a wrong cost is the programmer’s fault', () => {
  const free = { stateCost: () => 0, stepCost: () => 0 };
  expect(solve({ layers: [], ...free })).toMatchObject({ ok: true, path: [], total: 0 });
  expect(solve({ layers: [[1], []], ...free })).toEqual({ ok: false, layer: 1 });
  expect(() => solve({ layers: [[1]], ...free, stateCost: () => NaN })).toThrow('NaN at layer 0');
  expect(() => solve({ layers: [[1], [1]], ...free, stepCost: () => -1 })).toThrow('-1 at layer 1');
});
