import type { Hold, Way } from './way.ts';

/**
 * One thing that a line leaves behind for later notes, as a short text of which few different ones must come out, '' at the
 * start of a line; terms of the next hold read it. For example the place of the hand, which an open string leaves where it
 * was. What is left behind in several respects (levers, hands) is carried in as many parts, each for itself.
 */
export interface CarriedPart<W extends Way = Way> {
  /** Where many lines are only ranked, keys for instance, it is not minded: with it there is far more to choose among. */
  readonly fine?: true;
  carry(before: string, hold: Hold<W>): string;
  /** What of it matters to a hold: texts of which the same matters cost the same. All of it when left out. */
  heeded?(carried: string, hold: Hold<W>): string;
}

/** Between the parts of what is carried; the texts of several parts do not contain it. */
const APART = '/';

/** The parts as one text, as terms read it. */
export function joinCarried(parts: readonly string[]): string {
  if (parts.length === 1) return parts[0]!;
  let last = parts.length;
  while (last > 0 && parts[last - 1] === '') last -= 1;
  return parts.slice(0, last).join(APART);
}

/** The texts of so many parts. */
export function splitCarried(text: string, count: number): readonly string[] {
  if (count === 1) return [text];
  const parts = text.split(APART);
  return Array.from({ length: count }, (_, i) => parts[i] ?? '');
}
