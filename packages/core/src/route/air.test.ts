import fc from 'fast-check';
import type { Air } from '../families/way.ts';
import { airBalance } from './air.ts';
import type { RouteNote } from './route.ts';

interface Breath {
  readonly air: Air | undefined;
  readonly beats: number;
  readonly rest: number;
}

/** Notes with nothing but what air needs. */
function notesOf(breaths: readonly Breath[]): RouteNote[] {
  let start = 0;
  return breaths.map(({ air, beats, rest }, index) => {
    const note = { index, pitch: 60, beats, start, pinned: false, way: { air } } as unknown as RouteNote;
    start += beats + rest;
    return note;
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
const signed = ({ air, beats }: Breath) => (air === undefined ? 0 : air === 'in' ? beats : -beats);

test('without a limit each point is the sum of all before it, and nothing is ever needed', () => {
  fc.assert(
    fc.property(breaths, (line) => {
      const { points, most, least, helps } = airBalance(notesOf(line));
      const sums = line.map((_, i) => line.slice(0, i + 1).reduce((sum, b) => sum + signed(b), 0));
      expect(points.map((p) => p.balance)).toEqual([0, ...sums]);
      expect([most, least]).toEqual([Math.max(0, ...sums), Math.min(0, ...sums)]);
      expect(helps).toEqual([]);
    }),
  );
});

test('with a limit the store is never overrun but by a note longer than the store itself', () => {
  fc.assert(
    fc.property(breaths, fc.integer({ min: 2, max: 16 }), (line, capacity) => {
      const { points, helps } = airBalance(notesOf(line), capacity);
      const longest = Math.max(0, ...line.map((b) => Math.abs(signed(b))));
      for (const { balance } of points)
        expect(Math.abs(balance)).toBeLessThanOrEqual(Math.max(capacity / 2, longest));
      expect(points).toHaveLength(1 + line.length + helps.length);
      for (const index of helps) expect(line[index]!.air).toBeDefined();
    }),
  );
});

test('help comes as late as it can: every stretch between two helps and its next note would overrun', () => {
  fc.assert(
    fc.property(breaths, fc.integer({ min: 2, max: 16 }), (line, capacity) => {
      const { helps } = airBalance(notesOf(line), capacity);
      for (const [i, index] of helps.entries()) {
        const since = line.slice(helps[i - 1] ?? 0, index);
        const balance = since.reduce((sum, b) => sum + signed(b), 0);
        expect(Math.abs(balance + signed(line[index]!))).toBeGreaterThan(capacity / 2);
      }
    }),
  );
});

test('time only goes on, and what cannot be had leaves the balance as it is', () => {
  const notes = notesOf([
    { air: 'in', beats: 2, rest: 1 },
    { air: 'out', beats: 1, rest: 0 },
  ]);
  const missing = { ...notes[1]!, way: undefined } as unknown as RouteNote;
  const { points } = airBalance([notes[0]!, missing]);
  expect(points).toEqual([
    { beat: 0, balance: 0 },
    { beat: 2, balance: 2 },
    { beat: 4, balance: 2 },
  ]);
});
