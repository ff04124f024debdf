/** Looked up once: these are called millions of times a minute. */
const { min } = Math;

/**
 * The least of each figure among the last so many rows of them; nothing but zeros came before the first.
 * A block of rows at a time is turned into what is least from each on, so that a row costs the same however many count.
 */
export function slidingMinimum(figures: number, rows: number) {
  /** Of the block before, by row: what is least from it to the block's end; rows of the newest block take their places. */
  const block = Array.from({ length: rows }, () => new Float64Array(figures));
  /** Of the newest block so far. */
  const newest = new Float64Array(figures).fill(Infinity);
  const least = new Float64Array(figures);
  let row = 0;
  return {
    /** @returns the same array each time */
    ofLast(): Readonly<Float64Array> {
      const older = block[row]!;
      for (let i = 0; i < figures; i += 1) least[i] = min(older[i]!, newest[i]!);
      return least;
    },
    /** Takes in the row that follows. */
    push(next: Readonly<Float64Array>): void {
      block[row]!.set(next);
      for (let i = 0; i < figures; i += 1) newest[i] = min(newest[i]!, next[i]!);
      row = (row + 1) % rows;
      if (row > 0) return;
      newest.fill(Infinity);
      for (let r = rows - 2; r >= 0; r -= 1)
        for (let i = 0; i < figures; i += 1) block[r]![i] = min(block[r]![i]!, block[r + 1]![i]!);
    },
  };
}
