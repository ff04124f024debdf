import { aboveHome, type Key } from '../scale/scale.ts';
import type { Way } from './way.ts';

/** An ornament that lies well: ways that are touched before a note, quickly, and lead into it. */
export interface Figure<W extends Way = Way> {
  /** Unique for one way. */
  readonly id: string;
  /** As players say it: `shake with 5 draw`. */
  readonly words: string;
  /** In the order in which they are touched; the note's own way is not repeated at the end. */
  readonly ways: readonly W[];
}

/** The nearest of some ways above a pitch by so many semitones at most; undefined where there is none. */
export function nearestAbove<W extends Way>(ways: readonly W[], pitch: number, most: number): W | undefined {
  const above = ways.filter((way) => way.able && way.pitch > pitch && way.pitch <= pitch + most);
  return above.sort((a, b) => a.pitch - b.pitch)[0];
}

/** The same below. */
export function nearestBelow<W extends Way>(ways: readonly W[], pitch: number, most: number): W | undefined {
  const below = ways.filter((way) => way.able && way.pitch < pitch && way.pitch >= pitch - most);
  return below.sort((a, b) => b.pitch - a.pitch)[0];
}

/** A figure with one other way; none where there is no such way. */
export function figureWith<W extends Way>(
  id: string,
  way: W | undefined,
  words: (other: W) => string,
  before: readonly W[] = [],
): readonly Figure<W>[] {
  return way ? [{ id, words: words(way), ways: [...before, way] }] : [];
}

/** Ways whose notes are of a key's scale. */
export function waysInKey<W extends Way>(ways: readonly W[], key: Key): readonly W[] {
  return ways.filter((way) => key.indexOf[aboveHome(key, way.pitch)] !== undefined);
}

/** A fifth above a note is as far as a cut goes, in semitones. */
const CUT = 7;
/** A step of a scale, in semitones, at most. */
const STEP = 3;

/**
 * Ornaments of instruments with a button a note: a cut by the nearest button above that has a finger to spare, and a run of
 * two notes of the scale up to it.
 * @param beside ways in the key that can be played with or next to this one
 * @param isFree whether another way has a finger that this one leaves free
 */
export function buttonFigures<W extends Way>(
  way: W,
  beside: readonly W[],
  isFree: (other: W) => boolean,
): readonly Figure<W>[] {
  const cut = nearestAbove(beside.filter(isFree), way.pitch, CUT);
  const step = nearestBelow(beside, way.pitch, STEP);
  const first = step && nearestBelow(beside, step.pitch, STEP);
  return [
    ...figureWith('cut', cut, ({ words }) => `cut with ${words}`),
    ...(step && first ? [{ id: 'run', words: `run up from ${first.words}`, ways: [first, step] }] : []),
  ];
}
