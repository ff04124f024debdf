import { LISTENING } from './listening.ts';

/** Every so many of a sound's samples, after what lies too high for them is taken out. */
export interface Thinner {
  /** Samples a second that come out. */
  readonly rate: number;
  /** So many samples that come in make one that comes out. */
  readonly factor: number;
  /** Takes in what follows and gives what came of it. */
  push(samples: Float32Array): Float32Array;
}

/** Half as many weights as the filter has, for each sample that is left out. */
const HALF = 10;

/** @param rate samples a second that come in; up to 22050 are left as they are */
export function decimator(rate: number): Thinner {
  const factor = Math.max(1, Math.floor(rate / LISTENING.rate));
  const weights = lowpass(factor);
  const half = (weights.length - 1) / 2;
  // What came last is kept, so that a sound can be taken in piece by piece.
  let rest: Float32Array = new Float32Array(half);
  return {
    rate: rate / factor,
    factor,
    push(samples) {
      if (factor === 1) return samples;
      const all = new Float32Array(rest.length + samples.length);
      all.set(rest);
      all.set(samples, rest.length);
      const count = Math.max(0, Math.floor((all.length - weights.length) / factor) + 1);
      const out = new Float32Array(count);
      for (let i = 0; i < count; i += 1) {
        const from = i * factor;
        let sum = weights[half]! * all[from + half]!;
        for (let j = 0; j < half; j += 1) sum += weights[j]! * (all[from + j]! + all[from + 2 * half - j]!);
        out[i] = sum;
      }
      rest = all.slice(count * factor);
      return out;
    },
  };
}

/** A windowed sinc, one at zero frequency. */
function lowpass(factor: number): Float64Array {
  const half = HALF * factor;
  const weights = Float64Array.from({ length: 2 * half + 1 }, (_, i) => {
    const x = ((i - half) * 0.92) / factor;
    const sinc = x === 0 ? 1 : Math.sin(Math.PI * x) / (Math.PI * x);
    return sinc * (0.5 + 0.5 * Math.cos((Math.PI * (i - half)) / (half + 1)));
  });
  const sum = weights.reduce((total, weight) => total + weight, 0);
  return weights.map((weight) => weight / sum);
}
