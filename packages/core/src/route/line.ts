import type { Pitch } from '../pitch/pitch.ts';
import type { Direction } from './direction.ts';
import { patternById, type Pattern } from './pattern.ts';
import { aboveHome, type Key } from '../scale/scale.ts';
import { QUARTER, type Ticks } from '../time/ticks.ts';

/** Lowest and highest pitch of a line, inclusive. */
export interface Limits {
  readonly low: Pitch;
  readonly high: Pitch;
}

/** A note to be played. Notes of one onset sound together. */
export interface LineNote {
  /** Its own in the line, and kept when other notes of the line are changed. */
  readonly id: string;
  readonly pitch: Pitch;
  /** Ticks since the line's start. */
  readonly onset: Ticks;
  readonly length: Ticks;
  /** Id of the note before that is still held while others begin; this one sounds nothing anew. */
  readonly holds?: string;
}

/**
 * Pitches one after the other, all of one length. A note's id is its pitch and which of that pitch it is, `64.2` for
 * the second E4, so that it stays the same note when the line is made longer at its end.
 * @param length in ticks
 */
export function evenLine(pitches: readonly Pitch[], length: Ticks = QUARTER): LineNote[] {
  const seen = new Map<Pitch, number>();
  return pitches.map((pitch, index) => {
    const count = (seen.get(pitch) ?? 0) + 1;
    seen.set(pitch, count);
    return { id: `${pitch}.${count}`, pitch, onset: index * length, length };
  });
}

/** Pitches of the scale from low to high. @param semitones those above home that count; the scale's when left out */
export function scalePitches(
  key: Key,
  { low, high }: Limits,
  semitones: readonly number[] = key.scale.semitones,
): Pitch[] {
  const pitches: Pitch[] = [];
  for (let pitch = low; pitch <= high; pitch += 1) {
    if (semitones.includes(aboveHome(key, pitch))) pitches.push(pitch);
  }
  return pitches;
}

const COURSES: Readonly<Record<Direction, readonly ('up' | 'down')[]>> = {
  up: ['up'],
  down: ['down'],
  both: ['up', 'down'],
  'down-up': ['down', 'up'],
};

/** How the notes of a scale become a line. */
export interface LineShape {
  readonly direction: Direction;
  readonly pattern: Pattern;
  /** Which of the notes, from the lowest, an anchored pattern comes back to: 0 where left out. */
  readonly anchor?: number;
  /** Semitones above home that count; the whole scale when left out. */
  readonly semitones?: readonly number[];
  /** Pitches that count, where any of the scale's do; all when left out. */
  readonly has?: (pitch: Pitch) => boolean;
}

/**
 * The notes of a scale between two limits in a pattern, a quarter each. Down is the pattern read backwards in pitch, but for
 * an anchor, which stays what it is; both ways the turning note comes once.
 */
export function scaleLine(key: Key, limits: Limits | undefined, shape: Direction | LineShape): LineNote[] {
  if (!limits) return [];
  const whole: LineShape =
    typeof shape === 'string' ? { direction: shape, pattern: patternById('straight') } : shape;
  const { direction, pattern, semitones, anchor = 0, has = () => true } = whole;
  const all = scalePitches(key, limits, semitones);
  const counting = all.filter(has);
  const rising = counting.length > 0 ? counting : all;
  const ordered = (pitches: readonly Pitch[]) => {
    const homes = pitches.flatMap((pitch, i) => (aboveHome(key, pitch) === 0 ? [i] : []));
    return pattern.order(pitches.length, homes).map((i) => pitches[i]!);
  };
  const held = pattern.anchored ? rising.slice(anchor, anchor + 1) : [];
  const others = rising.filter((pitch) => !held.includes(pitch));
  const up = () => ordered([...held, ...others]);
  const down = () => ordered([...held, ...[...others].reverse()]);
  const [first, second] = COURSES[direction].map((way) => (way === 'up' ? up() : down()));
  const again = second?.[0] === first!.at(-1) ? second?.slice(1) : second;
  return evenLine([...first!, ...(again ?? [])]);
}
