import { inRhythm } from '@same-song/core';
import { standRows } from './playable.ts';

const notes = (count: number, lengths: readonly number[]) =>
  inRhythm(
    Array.from({ length: count }, (_, i) => `n${i}`),
    lengths,
    'plain',
  );
const rows = (count: number, lengths: readonly number[], phase = 0, beatsPerBar = 4) =>
  standRows({ notes: notes(count, lengths), beatsPerBar, phase }).map((row) => row.length);

test('rows are whole bars, as many as fit, and a bar that is too full is cut', () => {
  expect(rows(15, [1])).toEqual([8, 7]);
  expect(rows(20, [1 / 2])).toEqual([8, 8, 4]);
  // Twelve to a bar: eight and what is left.
  expect(rows(24, [1 / 3])).toEqual([8, 4, 8, 4]);
  expect(rows(9, [1], 3, 4)).toEqual([5, 4]);
  expect(rows(9, [1], 0, 3)).toEqual([6, 3]);
  expect(rows(0, [1])).toEqual([]);
});
