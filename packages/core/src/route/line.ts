import type { Pitch } from '../pitch/pitch.ts';
import { pitchClass } from '../pitch/pitch.ts';
import { patternById, type Pattern } from '../practice/pattern.ts';
import { aboveHome, type Key } from '../scale/scale.ts';

/** How far a line over a scale goes. Pitches are inclusive. */
export type Span =
  | { readonly kind: 'octaves'; readonly octaves: number }
  | { readonly kind: 'reach' }
  | { readonly kind: 'between'; readonly low: Pitch; readonly high: Pitch };

export const DIRECTIONS = Object.freeze(['up', 'down', 'both'] as const);
export type Direction = (typeof DIRECTIONS)[number];

/** A note to be played. */
export interface LineNote {
  readonly pitch: Pitch;
  /** Length in beats. */
  readonly beats: number;
  /** Beats since the line's start. */
  readonly start: number;
}

/** A note with the time since the one before began, in beats; 0 for the first. */
export type TimedNote = LineNote & { readonly since: number };

/** What an instrument can sound: its playable pitches, rising, each once. */
export type Compass = readonly Pitch[];

/** Lowest and highest pitch of a span, or undefined where the compass is empty. */
export function limitsOf(key: Key, span: Span, compass: Compass): { low: Pitch; high: Pitch } | undefined {
  const lowest = compass[0];
  const highest = compass[compass.length - 1];
  if (lowest === undefined || highest === undefined) return undefined;
  if (span.kind === 'reach') return { low: lowest, high: highest };
  if (span.kind === 'between')
    return { low: Math.min(span.low, span.high), high: Math.max(span.low, span.high) };
  const low = lowestHome(key, compass);
  return { low, high: low + 12 * span.octaves };
}

/** The lowest home that can be sounded, or else the lowest one within the compass, or the first above its bottom. */
export function lowestHome(key: Key, compass: Compass): Pitch {
  const played = compass.find((pitch) => aboveHome(key, pitch) === 0);
  return played ?? compass[0]! + pitchClass(key.home - compass[0]!);
}

/** Pitches of the scale from low to high. @param semitones those above home that count; the scale's when left out */
export function scalePitches(
  key: Key,
  low: Pitch,
  high: Pitch,
  semitones: readonly number[] = key.scale.semitones,
): Pitch[] {
  const pitches: Pitch[] = [];
  for (let pitch = low; pitch <= high; pitch += 1) {
    if (semitones.includes(aboveHome(key, pitch))) pitches.push(pitch);
  }
  return pitches;
}

/** How the notes of a scale become a line. */
export interface LineShape {
  readonly direction: Direction;
  readonly pattern: Pattern;
  /** Semitones above home that count; the whole scale when left out. */
  readonly semitones?: readonly number[];
}

/**
 * The notes of a scale over a span in a pattern, one beat each. Down is the pattern read backwards in pitch; both ways
 * the turning note comes once.
 */
export function scaleLine(key: Key, span: Span, shape: Direction | LineShape, compass: Compass): LineNote[] {
  const limits = limitsOf(key, span, compass);
  if (!limits) return [];
  const { direction, pattern, semitones } =
    typeof shape === 'string'
      ? { direction: shape, pattern: patternById('straight') }
      : { semitones: undefined, ...shape };
  const rising = scalePitches(key, limits.low, limits.high, semitones);
  const ordered = (pitches: readonly Pitch[]) => {
    const homes = pitches.flatMap((pitch, i) => (aboveHome(key, pitch) === 0 ? [i] : []));
    return pattern.order(pitches.length, homes).map((i) => pitches[i]!);
  };
  const up = direction === 'down' ? [] : ordered(rising);
  const down = direction === 'up' ? [] : ordered([...rising].reverse());
  const joined = up[up.length - 1] === down[0] ? [...up, ...down.slice(1)] : [...up, ...down];
  return joined.map((pitch, index) => ({ pitch, beats: 1, start: index }));
}
