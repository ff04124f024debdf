import { standRows } from './playable.ts';

/** Notes of equal length in bars of so many beats. */
const rows = (count: number, length: number, beatsPerBar = 4) =>
  standRows(
    Array.from({ length: count }, (_, i) => ({
      bar: Math.floor((i * length) / beatsPerBar + 1e-9),
    })),
    8,
  ).map((row) => row.length);

test('rows are whole bars, as many as fit, and a bar that is too full is cut', () => {
  expect(rows(15, 1)).toEqual([8, 7]);
  expect(rows(20, 1 / 2)).toEqual([8, 8, 4]);
  // Twelve to a bar: eight and what is left.
  expect(rows(24, 1 / 3)).toEqual([8, 4, 8, 4]);
  expect(rows(9, 1, 3)).toEqual([6, 3]);
  expect(rows(0, 1)).toEqual([]);
});
