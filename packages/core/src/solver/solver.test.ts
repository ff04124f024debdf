import fc from 'fast-check';
import { everyStep, reachedBy, solve, someSteps, type Layer, type Solution, type Steps } from './solver.ts';

/** A problem over tables: costs of states and, per layer, of steps from row to column; null is not allowed. */
interface Tables {
  own: (number | null)[][];
  steps: (number | null)[][][];
}

const cost = fc.oneof(
  { weight: 5, arbitrary: fc.integer({ min: 0, max: 6 }) },
  { weight: 1, arbitrary: fc.constant(null) },
);

/** Layers of one to four states. */
const tables: fc.Arbitrary<Tables> = fc
  .array(fc.integer({ min: 1, max: 4 }), { minLength: 1, maxLength: 6 })
  .chain((sizes) => {
    const row = (size: number) => fc.array(cost, { minLength: size, maxLength: size });
    const grid = (rows: number, size: number) => fc.array(row(size), { minLength: rows, maxLength: rows });
    return fc.record({
      own: fc.tuple(...sizes.map(row)),
      steps: fc.tuple(...sizes.slice(1).map((size, i) => grid(sizes[i]!, size))),
    });
  });

function layersOf({ own, steps }: Tables): Layer[] {
  return own.map((costs, i) => ({
    own: costs.map((c) => c ?? Infinity),
    ...(i > 0
      ? {
          steps: everyStep(
            own[i - 1]!.length,
            costs.length,
            (from, to) => steps[i - 1]![from]![to] ?? Infinity,
          ),
        }
      : {}),
  }));
}

function everyPath({ own }: Tables): number[][] {
  return own.reduce<number[][]>((paths, layer) => paths.flatMap((p) => layer.map((_, s) => [...p, s])), [[]]);
}

function costOf({ own, steps }: Tables, path: readonly number[]): number {
  return path.reduce(
    (sum, s, i) =>
      sum + (own[i]![s] ?? Infinity) + (i === 0 ? 0 : (steps[i - 1]![path[i - 1]!]![s] ?? Infinity)),
    0,
  );
}

test('the cost is that of the best of all paths, and no path is reported at the first layer that none reaches', () => {
  fc.assert(
    fc.property(tables, (t) => {
      const best = Math.min(...everyPath(t).map((p) => costOf(t, p)));
      const found = solve(layersOf(t));
      if (found.ok) {
        expect(found.total).toBe(best);
        expect(costOf(t, found.path)).toBe(best);
        return;
      }
      expect(best).toBe(Infinity);
      const cut = (length: number) => ({ own: t.own.slice(0, length), steps: t.steps });
      const reached = (length: number) => everyPath(cut(length)).some((p) => costOf(t, p) < Infinity);
      expect(reached(found.layer + 1)).toBe(false);
      expect(found.layer === 0 || reached(found.layer)).toBe(true);
    }),
    { numRuns: 300 },
  );
});

test('the best path through any state is the best of all paths that hold it', () => {
  fc.assert(
    fc.property(tables, (t) => {
      const found = solve(layersOf(t));
      if (!found.ok) return;
      for (const [layer, states] of t.own.entries()) {
        for (const state of states.keys()) {
          const through = everyPath(t).filter((p) => p[layer] === state);
          const best = Math.min(...through.map((p) => costOf(t, p)));
          expect(found.totalThrough(layer, state)).toBe(best);
          const path = found.pathThrough(layer, state);
          expect(path === undefined).toBe(best === Infinity);
          if (path) expect([path[layer], costOf(t, path)]).toEqual([state, best]);
        }
      }
    }),
    { numRuns: 150 },
  );
});

test('what is reached layer by layer is what the best paths cost that end there', () => {
  fc.assert(
    fc.property(tables, (problem) => {
      const layers = layersOf(problem);
      let reached: readonly number[] = [];
      for (const [i, layer] of layers.entries()) {
        reached = reachedBy(reached, layer);
        const solution = solve(layers.slice(0, i + 1));
        expect(Math.min(...reached)).toBe(solution.ok ? solution.total : Infinity);
        if (solution.ok) expect(reached).toEqual(layer.own.map((_, s) => solution.totalThrough(i, s)));
      }
    }),
  );
});

test('steps given one by one, in any order, are the same as all of them with the others forbidden', () => {
  const step = fc.record({ from: fc.nat(2), to: fc.nat(2), cost: fc.nat(9) });
  const list = fc.uniqueArray(step, {
    selector: ({ from, to }) => `${from} ${to}`,
    minLength: 1,
    maxLength: 9,
  });
  fc.assert(
    fc.property(list, (given) => {
      const costOfStep = (from: number, to: number) =>
        given.find((s) => s.from === from && s.to === to)?.cost ?? Infinity;
      const through = (steps: Steps) => solve([{ own: [0, 1, 2] }, { own: [0, 0, 0], steps }]);
      expect((through(someSteps(3, given)) as Solution).total).toBe(
        (through(everyStep(3, 3, costOfStep)) as Solution).total,
      );
    }),
  );
});

test('equal paths: always the same one, with the lowest states, however costs are rounded', () => {
  const steps = everyStep(2, 2, (a, b) => (a === b ? 0.1 + 0.2 : 0.3));
  const found = solve([{ own: [0.1, 0.1] }, { own: [0, 0], steps }, { own: [0, 0], steps }]);
  expect(found.ok && found.path).toEqual([0, 0, 0]);
});

test('an empty line costs nothing, an empty layer is no path, a wrong cost is the programmer’s fault', () => {
  expect(solve([])).toMatchObject({ ok: true, path: [], total: 0 });
  expect(solve([{ own: [1] }, { own: [], steps: everyStep(1, 0, () => 0) }])).toEqual({
    ok: false,
    layer: 1,
  });
  expect(() => everyStep(1, 1, () => NaN)).toThrow('NaN');
  expect(() => someSteps(1, [{ from: 0, to: 0, cost: -1 }])).toThrow('-1');
});
