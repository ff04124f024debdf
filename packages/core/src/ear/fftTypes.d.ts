declare module 'fft.js' {
  /** A Fourier transform of one size. */
  export default class FFT {
    constructor(size: number);
    realTransform(output: ArrayLike<number>, input: ArrayLike<number>): void;
    inverseTransform(output: ArrayLike<number>, input: ArrayLike<number>): void;
  }
}
