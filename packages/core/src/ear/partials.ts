/** Looked up once: these are called millions of times a minute. */
const { abs, floor, log, max, min, round } = Math;

/** Harmonics that are looked at. */
const HARMONICS = 24;
/** How far from a multiple of its frequency a partial may lie: so many bins at least, and such a share of where it lies. */
const LEAST_OFF = 0.5;
const STRETCH = 0.012;
/** A partial's power lies around its top: so many times what is at the top, and more where it moves. */
export const SPREAD = 6;
/** A period can be mistaken for so many of it taken together. */
const PRIMES = [2, 3, 5, 7, 11, 13, 17, 19, 23];
/** And what sounds together for partials of a note far below: a fifth for the second and third of one. */
const TOGETHER = [2, 3, 5, 7].flatMap((one, i, all) =>
  all.slice(i + 1).map((other) => [one, other] as const),
);
/** Less is asked of what only a note itself has against two that sound together: few partials are left. */
const LENIENT = 4;
/** And no note sounds by none of so many partials, its first ones. */
const FIRST = 8;
/** By partial: which of these numbers it is a multiple of. */
const DIVIDED_BY = Array.from({ length: HARMONICS + 1 }, (_, h) =>
  [...PRIMES, ...TOGETHER.map(([one, other]) => one * other)].filter((d) => d <= HARMONICS && h % d === 0),
);

/** What lies at the partials of a frequency. */
export interface PartialShare {
  /** Of all the power there is; over 1 where the partials are narrower than most. */
  share: number;
  /**
   * Share of the power at partials that only this fundamental has, and not twice or three times it; the smallest over these.
   * Near 0 the true pitch is an octave or a twelfth higher.
   */
  own: number;
}

/** The highest bin among some, where it stands out; −1 where it does not. */
export function topIn(spectrum: Float64Array, from: number, to: number): number {
  let best = from;
  for (let k = from + 1; k <= to; k += 1) if (spectrum[k]! > spectrum[best]!) best = k;
  const power = spectrum[best]!;
  const stands = from <= to && power >= spectrum[best - 1]! && power >= spectrum[best + 1]!;
  return stands && spectrum[best - 1]! > 0 && spectrum[best + 1]! > 0 ? best : -1;
}

/** Where between bins the top of a bin that stands out lies. */
export function between(spectrum: Float64Array, top: number): number {
  const [a, b, c] = [log(spectrum[top - 1]!), log(spectrum[top]!), log(spectrum[top + 1]!)];
  const bend = a - 2 * b + c;
  return top + (bend === 0 ? 0 : (a - c) / (2 * bend));
}

/**
 * Finds partials in spectra of power.
 * @param size of the transform, twice as many as there are bins @param rate samples a second
 */
export function partialFinder(size: number, rate: number) {
  const sums = new Float64Array(HARMONICS + 1);
  const found: PartialShare = { share: 0, own: 0 };
  /** Power that is at no partial a mistaken frequency has, the least of all mistakes. */
  const ownOf = (all: number, first: number): number => {
    let least = min(all, LENIENT * first);
    for (const prime of PRIMES) least = min(least, all - sums[prime]!);
    for (const [one, other] of TOGETHER)
      least = min(least, LENIENT * (all - sums[one]! - sums[other]! + (sums[one * other] ?? 0)));
    return max(0, least);
  };

  return {
    /** @param whole power of the spectrum @returns the same object each time */
    sharesOf(hz: number, spectrum: Float64Array, whole: number): Readonly<PartialShare> {
      const bins = (hz * size) / rate;
      const count = min(HARMONICS, floor((size / 2 - 4) / bins - 0.5));
      let all = 0;
      let clearly = 0;
      let first = 0;
      sums.fill(0);
      for (let h = 1; h <= count; h += 1) {
        const at = h * bins;
        const width = max(LEAST_OFF, min(STRETCH * at, bins / 12));
        const top = topIn(spectrum, max(2, round(at - width)), round(at + width));
        // The slope of a partial beside it is none of its own.
        if (top < 0 || (abs(top - at) + 0.5 > width && abs(between(spectrum, top) - at) > width)) continue;
        const power = spectrum[top]!;
        const beside = max(spectrum[round(at - bins / 2)] ?? 0, spectrum[round(at + bins / 2)] ?? 0);
        const clear = max(0, power - 1.5 * beside);
        all += power;
        clearly += clear;
        if (h <= FIRST) first += clear;
        for (const d of DIVIDED_BY[h]!) sums[d]! += clear;
      }
      // What lies beyond the partials that are looked at counts as not its own.
      found.share = all > 0 ? (clearly * SPREAD) / whole : 0;
      found.own = all > 0 ? ownOf(clearly, first) / max(all, whole / SPREAD) : 0;
      return found;
    },
  };
}
