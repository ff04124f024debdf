import FastTransform from 'fft.js';

/** A Fourier transform of real samples of one size. */
export interface Fourier {
  /** A power of two. */
  readonly size: number;
  /** Real and imaginary parts by turns, from 0 to the half of the rate; the array is used again at the next call. */
  forward(samples: Float64Array): Float64Array;
  /** What has such a spectrum, even and real: as many samples as its size; the array is used again at the next call. */
  backward(power: Float64Array): Float64Array;
}

/** Tables of a size are made once: that takes longer than hundreds of transforms. */
const TRANSFORMS = new Map<number, FastTransform>();

function transformOf(size: number): FastTransform {
  const made = TRANSFORMS.get(size) ?? new FastTransform(size);
  TRANSFORMS.set(size, made);
  return made;
}

/** The transform that is used unless another one is handed in. @param size a power of two above 1 */
export function fourier(size: number): Fourier {
  const transform = transformOf(size);
  const spectrum = new Float64Array(2 * size);
  const input = new Float64Array(2 * size);
  const output = new Float64Array(2 * size);
  const real = new Float64Array(size);
  return {
    size,
    forward(samples) {
      transform.realTransform(spectrum, samples);
      return spectrum;
    },
    backward(power) {
      const half = size / 2;
      for (let k = 0; k <= half; k += 1) {
        input[2 * k] = power[k]!;
        if (k > 0 && k < half) input[2 * (size - k)] = power[k]!;
      }
      transform.inverseTransform(output, input);
      for (let i = 0; i < size; i += 1) real[i] = output[2 * i]!;
      return real;
    },
  };
}
