import type { Timbre } from '../families/timbre.ts';
import { seededRandom } from '../seededRandom.ts';
import { hertz } from './listening.ts';
import type { WantedNote } from './judge.ts';

/** Looked up once: these are called for every sample. */
const { cos, exp, max, min, sin } = Math;

/** What a simulated player does wrong. */
export interface Faults {
  /** Cents by which every note is too high; too low where negative. */
  readonly cents: number;
  /** Seconds by which every other note comes late. */
  readonly late: number;
  /** So many notes go by before one is left out; none is left out for 0. */
  readonly leaves: number;
  /** So many notes go by before one sounds an octave too high; none for 0. */
  readonly octaves: number;
  /** Decibels of noise under what is played; none when left out. */
  readonly noise?: number;
}

export const NO_FAULTS: Faults = Object.freeze({ cents: 0, late: 0, leaves: 0, octaves: 0 });

/** A note that is played: with how long it is held. */
export interface PlayedNote extends WantedNote {
  readonly seconds: number;
}

/**
 * A line as somebody plays it, with faults that were chosen: samples from −1 to 1, to be heard as a microphone's would be.
 * The same seed makes the same.
 */
export function simulatedPlayer(
  notes: readonly PlayedNote[],
  {
    rate,
    timbre,
    faults = NO_FAULTS,
    seed = 1,
  }: {
    readonly rate: number;
    readonly timbre: Timbre;
    readonly faults?: Faults;
    readonly seed?: number;
  },
): Float32Array {
  const end = notes.reduce((last, { at, seconds }) => max(last, at + seconds), 0);
  const out = new Float32Array(Math.ceil((end + 0.6 + faults.late) * rate));
  notes.forEach(({ midi, at, seconds }, i) => {
    const every = (count: number) => count > 0 && (i + 1) % count === 0;
    if (every(faults.leaves)) return;
    const late = i % 2 === 1 ? faults.late : 0;
    const sounding = midi + faults.cents / 100 + (every(faults.octaves) ? 12 : 0);
    add(out, { hz: hertz(sounding), at: at + late, seconds, rate }, timbre);
  });
  if (faults.noise !== undefined) {
    const random = seededRandom(seed);
    const power = out.reduce((sum, x) => sum + x * x, 0) / max(1, out.length);
    const loud = Math.sqrt(3 * power) * 10 ** (-faults.noise / 20);
    for (let i = 0; i < out.length; i += 1) out[i]! += loud * (2 * random.next() - 1);
  }
  return out;
}

function add(
  out: Float32Array,
  {
    hz,
    at,
    seconds,
    rate,
  }: { readonly hz: number; readonly at: number; readonly seconds: number; readonly rate: number },
  { partials, attackMs, decayMs, sustain, releaseMs }: Timbre,
): void {
  const from = Math.round(at * rate);
  const [attack, decay, release] = [attackMs / 1000, decayMs / 1000, releaseMs / 1000];
  const whole = partials.reduce((sum, one) => sum + Math.abs(one), 0);
  const length = Math.round((seconds + release) * rate);
  const heard = partials.slice(0, Math.floor((0.45 * rate) / hz));
  for (let i = 0; i < length && from + i < out.length; i += 1) {
    const time = i / rate;
    const held = sustain + (1 - sustain) * exp((-3 * max(0, time - attack)) / max(0.01, decay));
    const gone = min(1, max(0, 1 - (time - seconds) / release));
    const loud = (0.5 / whole) * min(1, time / max(0.002, attack)) * held * gone;
    out[from + i]! += loud * sineSum(heard, 2 * Math.PI * hz * time);
  }
}

/** Sum of `amounts[n] · sin((n + 1) · angle)`, by Clenshaw's recurrence: one sine and one cosine however many there are. */
function sineSum(amounts: readonly number[], angle: number): number {
  const twice = 2 * cos(angle);
  let [next, afterNext] = [0, 0];
  for (let n = amounts.length - 1; n >= 0; n -= 1) {
    const here = amounts[n]! + twice * next - afterNext;
    afterNext = next;
    next = here;
  }
  return next * sin(angle);
}
