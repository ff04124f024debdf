import type { HeardFrame } from './notes.ts';

/** Where a pitch is to be held, in cents around a way's own pitch. */
export interface Band {
  readonly low: number;
  readonly high: number;
}

/** Half of how wide a band may be, in cents: a bend that is held within 15 is in tune for a learner. */
export const BAND_WIDTHS = Object.freeze([5, 10, 15, 25] as const);
/** How long something may be wanted to be held, in seconds. */
export const HOLD_SECONDS = Object.freeze([1, 2, 3, 5, 8] as const);
/**
 * A third that lies between minor and major is anywhere between both, but near neither.
 * Source: it is a band in cents, not a point; the quarter of a semitone at each edge is minor or major still.
 */
export const BETWEEN: Band = Object.freeze({ low: 25, high: 75 });

/** How holding goes. */
export interface Held {
  /** Seconds for which it has been in its band without leaving it. */
  readonly seconds: number;
  /** The longest it was. */
  readonly longest: number;
  /** Where it is now: cents above the way's own pitch; undefined in silence. */
  readonly cents: number | undefined;
  /** Between the lowest and the highest since it came into the band, in cents. */
  readonly sway: number;
  /** How often it was held long enough. */
  readonly times: number;
}

export const NOT_HELD: Held = Object.freeze({
  seconds: 0,
  longest: 0,
  cents: undefined,
  sway: 0,
  times: 0,
});

/** So long it may leave its band and still be held, in seconds: a slip of the ear is no slip of the breath. */
const FORGIVEN = 0.055;
/** What is so far from the band is another note, in cents. */
const ANOTHER = 100;

/**
 * Measures how long a pitch is held in its band. @param midi where the way sounds, in semitones
 * @param wanted seconds after which it was held long enough; it counts again after the band was left
 */
export function holding(midi: number, band: Band, wanted: number) {
  let held: Held = NOT_HELD;
  let since: number | undefined;
  let within = 0;
  let lowest = Infinity;
  let highest = -Infinity;
  let counted = false;
  return {
    push(frames: readonly HeardFrame[]): Held {
      for (const frame of frames) {
        const cents = frame.midi === null ? undefined : 100 * (frame.midi - midi);
        const isNear = cents !== undefined && cents > band.low - ANOTHER && cents < band.high + ANOTHER;
        const isIn = cents !== undefined && cents >= band.low && cents <= band.high;
        if (isIn) {
          since ??= frame.time;
          within = frame.time;
          lowest = Math.min(lowest, cents);
          highest = Math.max(highest, cents);
        } else if (since !== undefined && frame.time - within > FORGIVEN) {
          since = undefined;
          counted = false;
          lowest = Infinity;
          highest = -Infinity;
        }
        const seconds = since === undefined ? 0 : within - since;
        const isDone = !counted && seconds >= wanted;
        if (isDone) counted = true;
        held = {
          seconds,
          longest: Math.max(held.longest, seconds),
          cents: isNear ? cents : undefined,
          sway: since === undefined ? held.sway : highest - lowest,
          times: held.times + Number(isDone),
        };
      }
      return held;
    },
  };
}
