import fc from 'fast-check';
import type { Air, FingeredWay } from '../families/way.ts';
import { QUARTER } from '../time/ticks.ts';
import { airBalance, type Breath } from './air.ts';

interface Blown {
  readonly air: Air | undefined;
  readonly beats: number;
  readonly rest: number;
}

/** Holds with nothing but what air needs. */
function breathsOf(line: readonly Blown[]): Breath[] {
  let onset = 0;
  return line.map(({ air, beats, rest }, index) => {
    const hold = [{ way: { air }, fingering: undefined } as FingeredWay];
    const breath = { noteIds: [String(index)], hold, onset, length: beats * QUARTER };
    onset += (beats + rest) * QUARTER;
    return breath;
  });
}
const breaths = fc.array(
  fc.record({
    air: fc.constantFrom<Air | undefined>('in', 'out', undefined),
    beats: fc.integer({ min: 1, max: 8 }).map((n) => n / 2),
    rest: fc.integer({ min: 0, max: 2 }),
  }),
  { maxLength: 40 },
);
const signed = ({ air, beats }: Blown) => (air === undefined ? 0 : air === 'in' ? beats : -beats);

test('without a limit each point is the sum of all before it, and nothing is ever needed', () => {
  fc.assert(
    fc.property(breaths, (line) => {
      const { points, most, least, helps } = airBalance(breathsOf(line));
      const sums = line.map((_, i) => line.slice(0, i + 1).reduce((sum, b) => sum + signed(b), 0));
      expect(points.map((p) => p.balance)).toEqual([0, ...sums]);
      expect([most, least]).toEqual([Math.max(0, ...sums), Math.min(0, ...sums)]);
      expect(helps).toEqual([]);
    }),
  );
});

test('with a limit the store is never overrun: a note longer than it leaves it in the middle', () => {
  fc.assert(
    fc.property(breaths, fc.integer({ min: 2, max: 16 }), (line, capacity) => {
      const { points, helps } = airBalance(breathsOf(line), capacity);
      for (const { balance } of points) expect(Math.abs(balance)).toBeLessThanOrEqual(capacity / 2);
      expect(points).toHaveLength(1 + line.length + helps.length);
      for (const id of helps) expect(line[Number(id)]!.air).toBeDefined();
    }),
  );
});

test('help comes as late as it can: every stretch between two helps and its next note would overrun', () => {
  fc.assert(
    fc.property(breaths, fc.integer({ min: 2, max: 16 }), (line, capacity) => {
      const { helps } = airBalance(breathsOf(line), capacity);
      for (const [i, id] of helps.entries()) {
        const since = line.slice(Number(helps[i - 1] ?? 0), Number(id));
        const room = capacity / 2;
        const held = (balance: number) => (Math.abs(balance) > room ? 0 : balance);
        const balance = since.reduce((sum, b) => held(sum + signed(b)), 0);
        expect(Math.abs(balance + signed(line[Number(id)]!))).toBeGreaterThan(room);
      }
    }),
  );
});

test('drawn less blown, by length; what has no air leaves it as it is', () => {
  const found = airBalance(
    breathsOf([
      { air: 'out', beats: 2, rest: 0 },
      { air: 'in', beats: 3, rest: 1 },
      { air: undefined, beats: 1, rest: 0 },
    ]),
  );
  expect(found.points).toEqual([
    { beat: 0, balance: 0 },
    { beat: 2, balance: -2 },
    { beat: 5, balance: 1 },
    { beat: 7, balance: 1 },
  ]);
  expect([found.most, found.least]).toEqual([1, -2]);
});
