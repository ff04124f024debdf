/** Chance that can be had again: the same seed gives the same numbers. */
export interface SeededRandom {
  /** From 0 to below 1. */
  next(): number;
  /** A whole number from 0 to below a count. */
  below(count: number): number;
  /** One of a list. @throws for an empty one */
  of<T>(list: readonly T[]): T;
  /** A list in another order. */
  shuffled<T>(list: readonly T[]): readonly T[];
}

/** @param seed any whole number */
export function seededRandom(seed: number): SeededRandom {
  let state = seed >>> 0;
  const next = () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 0x1_0000_0000;
  };
  const below = (count: number) => Math.floor(next() * count);
  return {
    next,
    below,
    of(list) {
      if (list.length === 0) throw new Error('seededRandom: nothing to choose from');
      return list[below(list.length)]!;
    },
    shuffled(list) {
      const left = [...list];
      for (let i = left.length - 1; i > 0; i -= 1) {
        const j = below(i + 1);
        [left[i], left[j]] = [left[j]!, left[i]!];
      }
      return left;
    },
  };
}
