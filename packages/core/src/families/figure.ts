import { aboveHome, type Key } from '../scale/scale.ts';
import type { Pitch } from '../pitch/pitch.ts';
import type { Way } from './way.ts';

/** Something that is touched: a way, or what is heard where a finger only flicks and no fingering sounds by itself. */
export interface Touch<W extends Way = Way> {
  readonly pitch: Pitch;
  readonly way?: W;
}

/** Something that is touched while its note sounds. */
export interface TouchWithin<W extends Way = Way> extends Touch<W> {
  /** Quarters after the note's beginning at which it begins. */
  readonly after: number;
}

/** An ornament that lies well: what is touched with a note, when, and how it is written. */
export interface Figure<W extends Way = Way> {
  /** Unique for one way; plans keep it. */
  readonly id: string;
  /** As players say it: `shake with 5 draw`. */
  readonly words: string;
  /** Touched before the note, quickly and in this order; the note's own way is not repeated at the end. */
  readonly before: readonly Touch<W>[];
  /** Flicked while it sounds, rising by time. */
  readonly within?: readonly TouchWithin<W>[];
  /** The note goes to and fro between its own way and this one as long as it lasts. */
  readonly through?: W;
  /** How it is written in tab, where it touches what has no tab of its own. */
  readonly sign?: FigureSign;
  /** How it is engraved, where grace notes do not say it. */
  readonly mark?: 'roll' | 'trill';
  /** Quarters that a note lasts at least for it, and that it is shorter than. */
  readonly lengths?: { readonly from: number; readonly below?: number };
}

/**
 * When the fingers of a roll flick, in quarters after its note began, and how long the note is at least: a long roll fills
 * three eighths, a short one begins with its first flick. Source: as rolls are taught.
 */
export const LONG_ROLL = Object.freeze({ from: 3 / 2, first: 1 / 2, second: 1 });
export const SHORT_ROLL = Object.freeze({ from: 1, second: 1 / 2 });

/** Words for what is touched in a line of tab, each in braces before its note. */
export const FIGURE_SIGNS = Object.freeze(['cut', 'strike', 'roll', 'cran', 'warble'] as const);
export type FigureSign = (typeof FIGURE_SIGNS)[number];

export function touched<W extends Way>(way: W): Touch<W> {
  return { pitch: way.pitch, way };
}

/** Whether a note is long enough for a figure, and not too long. @param quarters how long it is */
export function fitsLength({ lengths }: Pick<Figure, 'lengths'>, quarters: number): boolean {
  return !lengths || (quarters >= lengths.from && quarters < (lengths.below ?? Infinity));
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
  return way ? [{ id, words: words(way), before: [...before, way].map(touched) }] : [];
}

/** A note that goes to and fro with another as long as it lasts, on notes of a quarter and more; none where there is no such way. */
export function warble<W extends Way>(id: string, way: W | undefined): readonly Figure<W>[] {
  if (!way) return [];
  const words = `warble with ${way.words}, as long as it lasts`;
  return [{ id, words, before: [], through: way, sign: 'warble', mark: 'trill', lengths: { from: 1 } }];
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
    ...(step && first
      ? [{ id: 'run', words: `run up from ${first.words}`, before: [touched(first), touched(step)] }]
      : []),
  ];
}
