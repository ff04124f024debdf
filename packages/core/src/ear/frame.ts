import type { Fourier } from './fft.ts';
import { hertz, LISTENING, midiOf, REACH } from './listening.ts';

/** Looked up once: these are called millions of times a minute. */
const { abs, ceil, floor, log, log2, max, min, round, sqrt } = Math;

/** What one frame says of each candidate. */
export interface FrameEvidence {
  /** How well the frame repeats with the period of each candidate and with none that is shorter, up to 1. */
  readonly scores: Float32Array;
  /** Where each candidate lies in this frame, in semitones with cents as a fraction. */
  readonly pitches: Float32Array;
  /** How much of each candidate was not there a little while ago, up to 1; of what is blown always 1. */
  readonly fresh: Float32Array;
  /** Mean square of its samples. */
  readonly power: number;
}

/** Looks at frames one after the other. */
export interface FrameReader {
  /** Samples of a frame. */
  readonly size: number;
  read(samples: Float32Array, from: number): FrameEvidence;
}

/** Lag at which candidates are told apart, in seconds: several periods of a high one, so that it is measured finely. */
const TELLING = 0.0125;
/** Periods in it at most: with more, a neighbour's would lie as near. */
const PERIODS = 12;
/** Part of a frame that a lag may take, so that enough of it is left to compare. */
const LONGEST = 0.6;
/** Harmonics that are looked at. */
const HARMONICS = 24;
/** Partials by which what is struck is measured: the loudest of the first ones. */
const MEASURED = 4;
/** How far from a multiple of its frequency a partial may lie: so many bins at least, and such a share of where it lies. */
const LEAST_OFF = 0.5;
const STRETCH = 0.012;
/** Frames that are remembered of what rings on, and the share of the whole that a new note has at least. */
const RECENT = 10;
const RISEN = 0.25;
/** A partial's power lies around its top: so many times what is at the top, and more where it moves. */
const SPREAD = 6;
/** A period can be mistaken for so many of it taken together, and for what these make. */
const PRIMES = [2, 3, 5, 7, 11, 13, 17, 19, 23].map((prime) => [prime]);
/** And what rings together for the partials of a note far below: a fifth for the second and third of one. */
const TOGETHER = [2, 3, 5, 7].flatMap((one, i, all) => all.slice(i + 1).map((other) => [one, other]));
/** A period is taken several times where less than this part of the power lies at partials that only it has. */
const OWN = 0.025;
/** What is taken off for it. */
const PENALTY = 0.35;

/**
 * @param rate samples a second @param candidates semitones, rising
 * @param transform of twice as many samples as a frame has: `frameSize`
 * @param struck what was struck before rings on, so that partials are looked for instead of a common period
 */
export function frameReader(
  rate: number,
  candidates: readonly number[],
  transform: Fourier,
  struck: boolean,
): FrameReader {
  const size = transform.size / 2;
  const longest = floor(LONGEST * size);
  const padded = new Float64Array(transform.size);
  const power = new Float64Array(size + 1);
  const hann = new Float64Array(size + 1);
  const squares = new Float64Array(size + 1);
  const likeness = new Float64Array(longest + 2);
  const scores = new Float32Array(candidates.length);
  const pitches = new Float32Array(candidates.length);
  const fresh = new Float32Array(candidates.length).fill(1);
  /** Power at the partials of each candidate in the frames before, one after the other. */
  const recent = candidates.map(() => new Float64Array(RECENT));
  /** Of the power of the frame, what lies at the partials of each candidate. */
  const shares = new Float64Array(candidates.length);
  let turn = 0;
  /** Of the whole spectrum of the frame. */
  let total = 0;
  const mistaken = struck ? [...PRIMES, ...TOGETHER] : PRIMES;
  /** By partial: which mistakes it speaks against, since they have none there. */
  const against = Array.from({ length: HARMONICS + 1 }, (_, h) =>
    mistaken.flatMap((primes, m) => (primes.every((prime) => h % prime !== 0) ? [m] : [])),
  );
  const own = new Float64Array(mistaken.length);
  const lows = candidates.map((midi) => rate / hertz(midi));

  /** Where a lag repeats best near another one, and how well; undefined where it has no top there. */
  const topNear = (lag: number, reach: number): { lag: number; value: number } | undefined => {
    const from = max(1, ceil(lag - reach));
    const to = min(longest, floor(lag + reach));
    let best = -1;
    for (let at = from; at <= to; at += 1) if (best < 0 || likeness[at]! > likeness[best]!) best = at;
    if (best < 0) return undefined;
    const [a, b, c] = [likeness[best - 1]!, likeness[best]!, likeness[best + 1]!];
    if (b < a || b < c) return undefined;
    const bend = a - 2 * b + c;
    const shift = bend === 0 ? 0 : (a - c) / (2 * bend);
    return { lag: best + shift, value: b - ((a - c) * shift) / 4 };
  };

  /** How well it repeats at a lag between samples. */
  const likenessAt = (lag: number): number => {
    const i = floor(lag);
    const t = lag - i;
    const [a, b, c, d] = [likeness[max(0, i - 1)]!, likeness[i]!, likeness[i + 1]!, likeness[i + 2]!];
    return b + (t / 2) * (c - a + t * (2 * a - 5 * b + 4 * c - d + t * (3 * (b - c) + d - a)));
  };

  const measure = () => {
    power.fill(0);
    const spectrum = transform.forward(padded);
    for (let k = 0; k <= size; k += 1) power[k] = spectrum[2 * k]! ** 2 + spectrum[2 * k + 1]! ** 2;
    // A raised cosine over the frame, which keeps loud partials from hiding soft ones, is a sum of neighbours here.
    for (let k = 2; k <= size - 2; k += 1) {
      const re = spectrum[2 * k]! / 2 - (spectrum[2 * k - 4]! + spectrum[2 * k + 4]!) / 4;
      const im = spectrum[2 * k + 1]! / 2 - (spectrum[2 * k - 3]! + spectrum[2 * k + 5]!) / 4;
      hann[k] = re * re + im * im;
    }
    total = 0;
    for (let k = 2; k <= size - 2; k += 1) total += hann[k]!;
    const sums = transform.backward(power);
    for (let lag = 0; lag <= longest + 1; lag += 1) {
      const both = squares[size - lag]! + squares[size]! - squares[lag]!;
      likeness[lag] = both > 0 ? (2 * sums[lag]!) / both : 0;
    }
  };

  /** The highest bin among some, where it stands out, and where between bins its top lies. */
  const peakIn = (from: number, to: number): { readonly at: number; readonly power: number } | undefined => {
    let best = from;
    for (let k = from + 1; k <= to; k += 1) if (hann[k]! > hann[best]!) best = k;
    const [below, power, above] = [hann[best - 1]!, hann[best]!, hann[best + 1]!];
    if (from > to || power < below || power < above || below <= 0 || above <= 0) return undefined;
    const [a, b, c] = [log(below), log(power), log(above)];
    const bend = a - 2 * b + c;
    return { at: best + (bend === 0 ? 0 : (a - c) / (2 * bend)), power };
  };

  /**
   * Power at partials of a frequency, as a share of all there is; and of it what lies at partials that no multiple of the
   * frequency has, the least of several.
   */
  const partialsOf = (hz: number): { readonly share: number; readonly own: number } => {
    const bins = (hz * transform.size) / rate;
    const count = min(HARMONICS, floor((size - 4) / bins - 0.5));
    let all = 0;
    let clearly = 0;
    own.fill(0);
    for (let h = 1; h <= count; h += 1) {
      const at = h * bins;
      const width = max(LEAST_OFF, min(STRETCH * at, bins / 12));
      const best = peakIn(max(2, round(at - width)), round(at + width));
      // The slope of a partial beside it is none of its own.
      if (best === undefined || abs(best.at - at) > width) continue;
      const top = best.power;
      const beside = max(hann[round(at - bins / 2)] ?? 0, hann[round(at + bins / 2)] ?? 0);
      const clear = max(0, top - 1.5 * beside);
      all += top;
      clearly += clear;
      for (const m of against[h]!) own[m]! += clear;
    }
    // What lies beyond the partials that are looked at counts as not its own.
    if (all <= 0) return { share: 0, own: 0 };
    return { share: (clearly * SPREAD) / total, own: min(...own) / max(all, total / SPREAD) };
  };

  const judge = (i: number): void => {
    const period = lows[i]!;
    let periods = max(1, min(PERIODS, floor((TELLING * rate) / period)));
    if (periods * period * 2 ** (REACH / 12) > longest) periods = 1;
    let top = topNear(periods * period, periods * period * (2 ** (REACH / 12) - 1));
    scores[i] = 0;
    pitches[i] = candidates[i]!;
    if (!top) return;
    const single = likenessAt(top.lag / periods);
    const value = min(top.value, single);
    if (value < 0.3) return;
    while (2 * top.lag < longest) {
      const finer = topNear(2 * top.lag, 2);
      if (!finer || finer.value < 0.8 * top.value) break;
      top = finer;
      periods *= 2;
    }
    const hz = (rate * periods) / top.lag;
    const midi = midiOf(hz);
    if (abs(midi - candidates[i]!) > REACH) return;
    scores[i] = min(1, value) - PENALTY * max(0, 1 - partialsOf(hz).own / OWN);
    pitches[i] = midi;
  };

  /** The frequency of a partial near another one; undefined where none stands out there. */
  const partialNear = (hz: number): { readonly hz: number; readonly power: number } | undefined => {
    const bins = (hz * transform.size) / rate;
    const reach = 2 ** (REACH / 12);
    const peak = peakIn(max(3, floor(bins / reach)), min(size - 4, ceil(bins * reach)));
    return peak && { hz: (peak.at * rate) / transform.size, power: peak.power };
  };

  /** Of what rings on together: each candidate by its own partials. */
  const judgeStruck = (i: number): void => {
    const wanted = hertz(candidates[i]!);
    const past = recent[i]!;
    const least = min(...past);
    past[turn] = 0;
    fresh[i] = 0;
    shares[i] = 0;
    scores[i] = 0;
    pitches[i] = candidates[i]!;
    let found: { hz: number; power: number } | undefined;
    for (let h = 1; h <= MEASURED; h += 1) {
      const partial = partialNear(h * wanted);
      if (partial && (!found || partial.power > 2 * found.power))
        found = { hz: partial.hz / h, power: partial.power };
    }
    if (!found) return;
    const midi = midiOf(found.hz);
    if (abs(midi - candidates[i]!) > REACH) return;
    const { share, own: alone } = partialsOf(found.hz);
    past[turn] = (share * total) / SPREAD;
    const risen = total > 0 ? ((past[turn]! - least) * SPREAD) / total : 0;
    fresh[i] = max(0, min(1, risen / RISEN));
    shares[i] = share;
    scores[i] = -2 * PENALTY * max(0, 1 - alone / OWN);
    pitches[i] = midi;
  };

  /** Of two that explain all of a frame, as a note and its octave may, the one that explains more of it. */
  const compare = () => {
    const most = max(1, ...shares);
    for (let i = 0; i < scores.length; i += 1) scores[i]! += sqrt(shares[i]! / most);
  };
  const look = struck ? judgeStruck : judge;

  return {
    size,
    read(samples, from) {
      let mean = 0;
      for (let i = 0; i < size; i += 1) mean += samples[from + i]!;
      mean /= size;
      for (let i = 0; i < size; i += 1) {
        const value = samples[from + i]! - mean;
        padded[i] = value;
        squares[i + 1] = squares[i]! + value * value;
      }
      measure();
      for (let i = 0; i < candidates.length; i += 1) look(i);
      if (struck) compare();
      turn = (turn + 1) % RECENT;
      return { scores, pitches, fresh, power: squares[size]! / size };
    },
  };
}

/** Samples of a frame: the power of two next to how long it is to be. */
export function frameSize(rate: number): number {
  return 2 ** round(log2(LISTENING.frame * rate));
}
