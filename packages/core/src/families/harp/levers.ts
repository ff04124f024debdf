import type { FingeredWay, Hold } from '../way.ts';
import type { HarpWay } from './ways.ts';

/**
 * Levers along a line. What is carried along are the marks of the strings whose lever is not as it is set for the key,
 * such as ` 12 ` or ` L5  R7 `; '' while all are as set. A way that needs its lever otherwise has the technique `flip`.
 */
const isOtherwise = (carried: string, way: HarpWay) => carried !== '' && carried.includes(way.stringMark);

/** Whether a way's lever must be moved before it sounds, coming from what was carried. */
const mustMove = (carried: string, way: HarpWay) => isOtherwise(carried, way) !== (way.technique === 'flip');

/** Ways of a hold whose levers must be moved before it. */
export function leversMoved(carried: string, hold: Hold<HarpWay>): readonly FingeredWay<HarpWay>[] {
  return hold.filter(({ way }) => mustMove(carried, way));
}

/** How many of them there are. */
export function leversToMove(carried: string, hold: Hold<HarpWay>): number {
  let count = 0;
  for (const { way } of hold) if (mustMove(carried, way)) count += 1;
  return count;
}

/** A lever stays where it was put until another note of its string needs it otherwise. */
export function carry(before: string, hold: Hold<HarpWay>): string {
  const moved = leversMoved(before, hold);
  if (moved.length === 0) return before;
  const flipped = new Set<string>(before.match(/ \S+ /g));
  for (const { way } of moved) if (!flipped.delete(way.stringMark)) flipped.add(way.stringMark);
  return [...flipped].sort().join('');
}
