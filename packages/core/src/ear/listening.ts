/** Looked up once: these are called millions of times a minute. */
const { log2 } = Math;

/** How finely is listened. Times in seconds. */
export const LISTENING = Object.freeze({
  /** A frame is about so long, */
  frame: 0.06,
  /** and the next one begins so much later. */
  hop: 0.01,
  /** Samples a second to which what comes from the microphone is thinned out, at least. */
  rate: 14_000,
  /** A note is decided so long after its frame. */
  decided: 0.08,
});

/** How far a pitch may lie from what an instrument is laid out for and still be that, in semitones. */
export const PITCH_TOLERANCE = 0.6;

/** Pitches that are listened for where no instrument says which: C2 to D8. */
export const ALL_PITCHES: readonly number[] = Object.freeze(Array.from({ length: 75 }, (_, i) => 36 + i));

export function hertz(midi: number): number {
  return 440 * 2 ** ((midi - 69) / 12);
}

export function midiOf(hz: number): number {
  return 69 + 12 * log2(hz / 440);
}
