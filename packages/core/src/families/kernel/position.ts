import { pitchClass, type Pitch, type PitchClass } from '../../pitch/pitch.ts';

/**
 * Position 1…12 of a key on a harmonica: steps clockwise round the circle of fifths from the instrument's key to the
 * key played, plus one. Source: common usage of harmonica players.
 */
export function positionOf(root: Pitch, tonic: PitchClass): number {
  return pitchClass((tonic - root) * 7) + 1;
}

/** `1st`, `2nd`, `3rd`, `4th` … for 1 to 12. */
export function ordinal(position: number): string {
  return `${position}${['st', 'nd', 'rd'][position - 1] ?? 'th'}`;
}

/** What seldom taken keys cost, by position, and all that are not named. */
export interface UnusualKeys {
  readonly byPosition: Readonly<Record<number, number>>;
  readonly others: number;
}

export function unusualIn(position: number, { byPosition, others }: UnusualKeys): number {
  return byPosition[position] ?? others;
}
