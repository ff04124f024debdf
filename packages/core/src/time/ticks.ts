/**
 * Time in music is counted in whole ticks, so that sums of notes are exact: three triplets make a quarter to the tick,
 * and a thousand of them still end on the beat.
 */
export type Ticks = number;

/** A quarter note. Divisible by 2 to 10, by 12, 14, 15, 16 and many more, so that every tuplet in use is whole. */
export const QUARTER: Ticks = 5040;

/** The ticks of a share of a quarter note: `quarters(1, 3)` is a triplet eighth. @throws where that is no whole tick */
export function quarters(count: number, parts = 1): Ticks {
  const ticks = (QUARTER * count) / parts;
  if (!Number.isInteger(ticks)) throw new Error(`quarters: ${count}/${parts} of a quarter is no whole tick`);
  return ticks;
}

/** The greatest common measure of some lengths: the longest of which all are multiples. 0 for none. */
export function commonMeasure(lengths: readonly Ticks[]): Ticks {
  const measure = (a: Ticks, b: Ticks): Ticks => (b === 0 ? a : measure(b, a % b));
  return lengths.reduce(measure, 0);
}
