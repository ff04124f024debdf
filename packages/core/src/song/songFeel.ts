import { felt, secondHalf, type Feel } from '../groove/feel.ts';
import { barLength } from '../time/metre.ts';
import { QUARTER, type Ticks } from '../time/ticks.ts';
import { barOffsets, metreAt } from './barOffset.ts';
import { barAt, barStarts, melodyOf, type Song } from './song.ts';

/** Words of a song's tags that say how it is felt. */
const TOLD: readonly (readonly [feel: Feel, words: RegExp])[] = Object.freeze([
  ['dotted', /hornpipe|schottische|strathspey/],
  ['swung', /blues|swing|shuffle|jazz/],
]);

/** How a song's eighths are played: as it says, or as its tags do. */
export function feelOf({ feel, tags }: Pick<Song, 'feel' | 'tags'>): Feel {
  return feel ?? TOLD.find(([, words]) => tags.some((tag) => words.test(tag.toLowerCase())))?.[0] ?? 'even';
}

/**
 * When a written time is played, in ticks: second eighths come later where the feel is not even. What is counted in threes
 * and what stands in a tuplet is played as it is written.
 * @param quartersPerMinute at a time
 */
export function feltTimes(
  song: Song,
  feel: Feel,
  quartersPerMinute: (at: Ticks) => number,
): (at: Ticks) => Ticks {
  if (feel === 'even') return (at) => at;
  const starts = barStarts(song);
  const offsets = barOffsets(song);
  const { tuplets } = melodyOf(song).voice;
  return (at) => {
    const bar = barAt(starts, at);
    const metre = metreAt(song, starts[bar]!);
    const isTuplet = tuplets.some(({ onset, length }) => at > onset && at < onset + length);
    if (metre.divisions === 3 || isTuplet || barLength(metre) % QUARTER !== 0) return at;
    const since = at - starts[bar]! + offsets[bar]!;
    return at + QUARTER * felt(since / QUARTER, secondHalf(feel, quartersPerMinute(at))) - since;
  };
}
