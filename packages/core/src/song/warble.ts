import type { SpelledPitch } from '../pitch/spelledPitch.ts';
import type { Ticks } from '../time/ticks.ts';

/** How long each of two notes of a warble lasts, in seconds. */
const WARBLE = 0.08;
/** Most notes that are touched in one: a breath's worth. */
const WARBLED = 100;

/** What is touched in a note that goes to and fro with another. @param length of the note, which lasts so many seconds */
export function toAndFro(pitch: SpelledPitch, length: Ticks, seconds: number) {
  const times = Math.min(WARBLED, Math.max(1, Math.round(seconds / (2 * WARBLE))));
  const each = length / (2 * times);
  return Array.from({ length: times }, (_, i) => ({
    pitch,
    after: Math.round((2 * i + 1) * each),
    lasts: Math.round((2 * i + 2) * each) - Math.round((2 * i + 1) * each),
  }));
}
