/** Sounds whose truth is known, made from plain sums of sines and noise; nothing of the ear itself is used. */

import FastTransform from 'fft.js';

/** Looked up once: these are called millions of times a minute. */
const { PI, abs, cos, exp, max, min, round, sin, sqrt } = Math;

export const RATE = 48_000;

/** Numbers from −1 to 1 by chance, the same for the same seed. */
export function chance(seed: number): () => number {
  let state = seed >>> 0 || 1;
  return () => {
    state ^= state << 13;
    state ^= state >>> 17;
    state ^= state << 5;
    return (state >>> 0) / 2 ** 31 - 1;
  };
}

export const hz = (midi: number) => 440 * 2 ** ((midi - 69) / 12);

interface Tone {
  readonly seconds: number;
  /** Semitones at a time. */
  readonly pitch: (time: number) => number;
  /** Share of each partial, and its ratio to the first. */
  readonly partials: readonly (readonly [ratio: number, amount: number])[];
  /** Loudness of a partial at a time. */
  readonly shape: (time: number, partial: number) => number;
  readonly phase?: number;
}

/** Samples over which a tone's pitch stands and its loudness goes straight: a sixth of a millisecond. */
const BLOCK = 8;

export function tone({ seconds, pitch, partials, shape, phase = 0 }: Tone): Float32Array {
  const out = new Float32Array(round(seconds * RATE));
  let turn = 0;
  for (let from = 0; from < out.length; from += BLOCK) {
    const [begin, end] = [from / RATE, (from + BLOCK) / RATE];
    const base = hz(pitch((begin + end) / 2));
    const count = min(BLOCK, out.length - from);
    partials.forEach(([ratio, amount], p) => {
      if (ratio * base >= 0.45 * RATE) return;
      const angle = 2 * PI * (turn * ratio + phase * (p + 1) ** 2);
      const step = (2 * PI * ratio * base) / RATE;
      const [stepSine, stepCosine] = [sin(step), cos(step)];
      let [sine, cosine, loud] = [sin(angle), cos(angle), amount * shape(begin, p)];
      const slope = (amount * shape(end, p) - loud) / BLOCK;
      for (let i = 0; i < count; i += 1) {
        out[from + i]! += loud * sine;
        const next = sine * stepCosine + cosine * stepSine;
        cosine = cosine * stepCosine - sine * stepSine;
        sine = next;
        loud += slope;
      }
    });
    turn += (base * BLOCK) / RATE;
  }
  return out;
}

/** Up, on, and down at its end; a frame does not see an edge. */
const held = (seconds: number, attack: number, release: number) => (time: number) =>
  min(1, time / attack, max(0, (seconds - time) / release));

export type Kind = 'reed' | 'whistle' | 'string' | 'tongue';

/** Notes that were made already: they are asked for again in every kind of noise. */
const made = new Map<string, Float32Array>();

/** A note as an instrument of a kind makes it; the same array for the same note. */
export function note(kind: Kind, midi: number, seconds: number, seed = 1): Readonly<Float32Array> {
  const name = [kind, midi, seconds, seed].join();
  const known = made.get(name) ?? makeNote(kind, midi, seconds, seed);
  made.set(name, known);
  return known;
}

function makeNote(kind: Kind, midi: number, seconds: number, seed: number): Float32Array {
  const random = chance(seed * 7919 + round(midi * 100));
  for (let i = 0; i < 10; i += 1) random();
  const vary = (decibels: number) => 10 ** ((decibels * random()) / 20);
  const phase = 0.13 + 0.1 * random();
  switch (kind) {
    case 'reed': {
      const weak = midi < 60 ? 0.2 : 1;
      const partials = Array.from({ length: 16 }, (_, h): [number, number] => [
        h + 1,
        ((h === 0 ? weak : 1) * vary(5)) / (h + 1) ** 0.9,
      ]);
      const shape = held(seconds, 0.04, 0.05);
      return tone({ seconds, phase, partials, shape, pitch: () => midi });
    }
    case 'whistle': {
      const shape = held(seconds, 0.03, 0.03);
      return tone({
        seconds,
        phase,
        shape,
        pitch: () => midi,
        partials: [
          [1, 1],
          [2, 0.1 * vary(6)],
          [3, 0.03 * vary(6)],
        ],
      });
    }
    case 'string': {
      const partials = Array.from({ length: 12 }, (_, h): [number, number] => [
        (h + 1) * sqrt(1 + 0.00006 * (h + 1) ** 2),
        vary(4) / (h + 1) ** 1.2,
      ]);
      const shape = (time: number, p: number) =>
        min(1, time / 0.002) * exp(-time * (1.2 + 0.7 * p)) * min(1, (seconds - time) / 0.02);
      return tone({ seconds, phase, partials, shape, pitch: (time) => midi + 0.12 * exp(-time / 0.05) });
    }
    case 'tongue': {
      const partials: [number, number][] = [
        [1, 1],
        [2.007, 0.35 * vary(4)],
        [2.98, 0.25 * vary(4)],
        [4.9, 0.08],
      ];
      const shape = (time: number, p: number) =>
        min(1, time / 0.002) * exp(-time * [1.5, 4, 7, 20][p]!) * min(1, (seconds - time) / 0.02);
      return tone({ seconds, phase, partials, shape, pitch: () => midi });
    }
  }
}

/** Notes one after the other, each beginning at its time. */
export function scale(
  kind: Kind,
  notes: readonly { readonly midi: number; readonly onset: number; readonly seconds: number }[],
  seed = 1,
): Float32Array {
  const end = max(...notes.map(({ onset, seconds }) => onset + seconds)) + 0.5;
  const out = new Float32Array(round(end * RATE));
  notes.forEach(({ midi, onset, seconds }, i) => {
    const sound = note(kind, midi, seconds, seed + i);
    const from = round(onset * RATE);
    for (let j = 0; j < sound.length; j += 1) out[from + j]! += sound[j]!;
  });
  return out;
}

/** Noise whose power falls by half with each octave. */
export function pink(length: number, seed: number): Float32Array {
  const random = chance(seed);
  const out = new Float32Array(length);
  const b = [0, 0, 0, 0, 0, 0];
  const poles = [0.99886, 0.99332, 0.969, 0.8665, 0.55, -0.7616];
  const gains = [0.0555179, 0.0750759, 0.153852, 0.3104856, 0.5329522, -0.016898];
  for (let i = 0; i < length; i += 1) {
    const white = random();
    let sum = white * 0.5362;
    for (let j = 0; j < 6; j += 1) {
      b[j] = poles[j]! * b[j]! + white * gains[j]!;
      sum += b[j]!;
    }
    out[i] = sum;
  }
  return out;
}

export function white(length: number, seed: number): Float32Array {
  const random = chance(seed);
  return Float32Array.from({ length }, () => random());
}

const power = (sound: Float32Array) => sound.reduce((sum, x) => sum + x * x, 0) / sound.length;

/** A sound with noise so many decibels under it. */
export function withNoise(sound: Float32Array, noise: Float32Array, decibels: number): Float32Array {
  const gain = sqrt(power(sound) / power(noise) / 10 ** (decibels / 10));
  return sound.map((x, i) => x + gain * noise[i]!);
}

export function louder(sound: Float32Array, decibels: number): Float32Array {
  const gain = 10 ** (decibels / 20);
  return sound.map((x) => gain * x);
}

/** A sound in a room that rings for so long until it is 60 dB softer: the sound itself and a thousand echoes a second by chance. */
export function inRoom(sound: Float32Array, seconds: number, seed: number): Float32Array {
  const random = chance(seed);
  const answer = new Float64Array(round((seconds + 0.004) * RATE) + 1);
  answer[0] = 1;
  for (let e = 0; e < 400; e += 1) {
    const after = 0.004 + seconds * abs(random());
    answer[round(after * RATE)]! += 0.11 * random() * 10 ** ((-3 * after) / seconds);
  }
  return convolved(sound, answer);
}

/** By size: their tables take long to make. */
const transforms = new Map<number, FastTransform>();

/** As many samples of the convolution as the sound has, through spectra: 400 echoes one by one take six times as long. */
function convolved(sound: Float32Array, answer: Float64Array): Float32Array {
  const size = 2 ** Math.ceil(Math.log2(sound.length + answer.length));
  const transform = transforms.get(size) ?? new FastTransform(size);
  transforms.set(size, transform);
  const spectrumOf = (samples: Float32Array | Float64Array) => {
    const padded = new Float64Array(size);
    padded.set(samples);
    const spectrum = new Float64Array(2 * size);
    transform.realTransform(spectrum, padded);
    return spectrum;
  };
  const [a, b] = [spectrumOf(sound), spectrumOf(answer)];
  for (let k = 0; k <= size; k += 2) {
    const [re, im] = [a[k]! * b[k]! - a[k + 1]! * b[k + 1]!, a[k]! * b[k + 1]! + a[k + 1]! * b[k]!];
    a[k] = re;
    a[k + 1] = im;
  }
  // A real signal's upper half is the lower one mirrored, conjugate.
  for (let k = 2; k < size; k += 2) {
    a[2 * size - k] = a[k]!;
    a[2 * size - k + 1] = -a[k + 1]!;
  }
  const out = new Float64Array(2 * size);
  transform.inverseTransform(out, a);
  return Float32Array.from(sound, (_, i) => out[2 * i]!);
}
