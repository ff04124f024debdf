import type { Fourier } from './fft.ts';
import { hertz, LISTENING, midiOf, PITCH_TOLERANCE } from './listening.ts';
import { partialFinder } from './partials.ts';
import { ringingJudge } from './ringing.ts';

/** Looked up once: these are called millions of times a minute. */
const { abs, ceil, floor, log2, max, min, round } = Math;

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
/** A period is taken several times where less than this part of the power lies at partials that only it has. */
const OWN = 0.025;
/** What is taken off for it. */
const PENALTY = 0.5;

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
  /** Of the whole spectrum of the frame. */
  let total = 0;
  const partials = partialFinder(transform.size, rate);
  const judgeRinging = struck ? ringingJudge(transform.size, rate, candidates) : undefined;
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
    if (judgeRinging) return;
    const sums = transform.backward(power);
    for (let lag = 0; lag <= longest + 1; lag += 1) {
      const both = squares[size - lag]! + squares[size]! - squares[lag]!;
      likeness[lag] = both > 0 ? (2 * sums[lag]!) / both : 0;
    }
  };

  const judge = (i: number): void => {
    const period = lows[i]!;
    let periods = max(1, min(PERIODS, floor((TELLING * rate) / period)));
    if (periods * period * 2 ** (PITCH_TOLERANCE / 12) > longest) periods = 1;
    let top = topNear(periods * period, periods * period * (2 ** (PITCH_TOLERANCE / 12) - 1));
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
    if (abs(midi - candidates[i]!) > PITCH_TOLERANCE) return;
    scores[i] = min(1, value) - PENALTY * max(0, 1 - partials.sharesOf(hz, hann, total).own / OWN);
    pitches[i] = midi;
  };

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
      if (judgeRinging) judgeRinging(hann, total, { scores, pitches, fresh });
      else for (let i = 0; i < candidates.length; i += 1) judge(i);
      return { scores, pitches, fresh, power: squares[size]! / size };
    },
  };
}

/** Samples of a frame: the power of two next to how long it is to be. */
export function frameSize(rate: number): number {
  return 2 ** round(log2(LISTENING.frame * rate));
}
