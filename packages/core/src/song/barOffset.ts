import { barLength, countedMetre, type Metre } from '../time/metre.ts';
import type { Ticks } from '../time/ticks.ts';
import { barAt, barStarts, holdingAt, type Song } from './song.ts';

/** The metre that holds at a time, common time where there is none. */
export function metreAt(song: Pick<Song, 'metres'>, at: Ticks): Metre {
  const { count, unit } = holdingAt(song.metres, at) ?? { count: 4, unit: 4 };
  return countedMetre(count, unit);
}

/**
 * Of each written bar how much of its measure lies before it, in ticks: 0 for a bar that begins one. A short first bar is
 * an upbeat, that ends with its measure; so is a short bar behind another that it completes, as where a repeat parts one.
 */
export function barOffsets(song: Pick<Song, 'bars' | 'metres'>): readonly Ticks[] {
  const { bars } = song;
  const starts = barStarts(song);
  return bars.map(({ length }, bar) => {
    const whole = barLength(metreAt(song, starts[bar]!));
    if (length >= whole || bars.length === 1) return 0;
    const before = bars[bar - 1];
    if (!before) return whole - length;
    return before.length + length === whole ? before.length : 0;
  });
}

/** Of each written bar its number as musicians count: an upbeat is 0, and a bar that a repeat parts is one. */
export function barNumbers(song: Pick<Song, 'bars' | 'metres'>): readonly number[] {
  let number = 0;
  return barOffsets(song).map((offset) => {
    if (offset === 0) number += 1;
    return number;
  });
}

/** The number of the bar in which a time lies. */
export function barNumberIn(song: Pick<Song, 'bars' | 'metres'>): (at: Ticks) => number {
  const starts = barStarts(song);
  const numbers = barNumbers(song);
  return (at) => numbers[barAt(starts, at)]!;
}

/** `bar 3`, or `the upbeat`. */
export function barName(number: number): string {
  return number === 0 ? 'the upbeat' : `bar ${number}`;
}
