import { pitchClass, type Pitch } from '../pitch/pitch.ts';
import type { Key } from '../scale/scale.ts';
import type { RoutingContext } from './context.ts';
import { scalePitches, type Limits } from './line.ts';
import { quickRoute } from './route.ts';

/** Where octaves begin: where the scale lies best, or by height among the homes from which they fit. */
export const PLACES = Object.freeze(['best', 'low', 'middle', 'high'] as const);
export type Place = (typeof PLACES)[number];

/** How far a line over a scale goes. Pitches are inclusive. */
export type LineRange =
  | {
      readonly kind: 'octaves';
      readonly octaves: number;
      readonly from: Place | Pitch;
      /** Semitones above home where the line starts, 0 to 11: home where left out. */
      readonly start?: number;
      /** Semitones above home of the note on which it turns, the last such note of its octaves: where it started when left out. */
      readonly turn?: number;
    }
  | { readonly kind: 'whole' }
  | { readonly kind: 'between'; readonly low: Pitch; readonly high: Pitch };

/** Where a teacher begins. */
export const BEST_OCTAVE: LineRange = Object.freeze({ kind: 'octaves', octaves: 1, from: 'best' });

/** All that an instrument has. */
export const WHOLE_RANGE: LineRange = Object.freeze({ kind: 'whole' });

/** Lowest and highest pitch that a range comes to on an instrument; undefined where nothing can be played. */
export function limitsOf(context: RoutingContext, key: Key, range: LineRange): Limits | undefined {
  const { range: playable } = context;
  if (!playable) return undefined;
  if (range.kind === 'whole') return playable;
  if (range.kind === 'between')
    return { low: Math.min(range.low, range.high), high: Math.max(range.low, range.high) };
  const reach = reachOf(range);
  const home =
    typeof range.from === 'number' ? range.from : startAt(context, key, playable, reach, range.from);
  return { low: home + reach.low, high: home + reach.high };
}

/** How far a range of octaves goes from its home, in semitones above it. */
function reachOf({ octaves, start = 0, turn = start }: LineRange & { kind: 'octaves' }): Limits {
  const high = start + 12 * octaves;
  return { low: start, high: high - pitchClass(high - turn) };
}

/** Homes of a key on an instrument, rising, whether they can be had or not. */
export function homesOf({ range }: RoutingContext, key: Key): readonly Pitch[] {
  if (!range) return [];
  const homes: Pitch[] = [];
  for (let home = firstHome(key, range.low); home <= range.high; home += 12) homes.push(home);
  return homes;
}

function firstHome(key: Key, low: Pitch): Pitch {
  return low + pitchClass(key.home - low);
}

/** Homes from which a reach fits; the lowest that can be had, or the first there would be, where it fits from none. */
function startsOf(context: RoutingContext, key: Key, { low, high }: Limits, reach: Limits): readonly Pitch[] {
  const homes = homesOf(context, key);
  const starts = homes.filter((home) => home + reach.high <= high);
  return starts.length > 0 ? starts : [homes.find(context.has) ?? homes[0] ?? firstHome(key, low)];
}

function startAt(context: RoutingContext, key: Key, playable: Limits, reach: Limits, place: Place): Pitch {
  const starts = startsOf(context, key, playable, reach);
  switch (place) {
    case 'low':
      return starts[0]!;
    case 'high':
      return starts[starts.length - 1]!;
    case 'middle':
      return starts[Math.floor((starts.length - 1) / 2)]!;
    case 'best':
      return bestOf(context, key, reach) ?? starts[0]!;
  }
}

/** By what part of a lower start's effort a higher one must cost less to be taken for it. */
const CLEARLY_LESS = 0.1;
/** What it counts beside the effort of a note to begin an octave away from where the family's players do; judgement. */
const PER_OCTAVE_AWAY = 0.6;

/** A home from which a scale may begin. */
export interface Start {
  readonly from: Pitch;
  /** Notes that cannot be had. */
  readonly missing: number;
  /** Effort of a note, going up. */
  readonly effort: number;
}

/**
 * Where a teacher begins: where fewest notes are missing; of those where effort is least and it is not far from where the
 * family's players begin, if they do so anywhere. The lower among nearly equal ones; undefined where there is none.
 * @param starts rising
 */
export function bestStart(
  { instrument }: RoutingContext,
  key: Key,
  starts: readonly Start[],
): Start | undefined {
  const near = instrument.beginsNear(key);
  const costOf = ({ from, effort }: Start) =>
    effort + (near === undefined ? 0 : (PER_OCTAVE_AWAY * Math.abs(from - near)) / 12);
  const [first, ...others] = starts;
  return others.reduce((best, next) => {
    const isEasier =
      next.missing === best!.missing && costOf(next) < costOf(best!) - CLEARLY_LESS * best!.effort;
    return next.missing < best!.missing || isEasier ? next : best;
  }, first);
}

function bestOf(context: RoutingContext, key: Key, reach: Limits): Pitch | undefined {
  const starts = homesOf(context, key).map((from): Start => {
    const pitches = scalePitches(key, { low: from + reach.low, high: from + reach.high });
    const had = pitches.filter(context.has);
    const effort = quickRoute(context, had).total / Math.max(1, had.length);
    return { from, missing: pitches.length - had.length, effort };
  });
  return bestStart(context, key, starts)?.from;
}
