import type { Pitch } from '../pitch/pitch.ts';

/**
 * How a family's air comes back: `breath` is taken, `bellows` turn where the player likes, `button` stands for bellows that
 * the notes themselves turn and an air button helps, `lungs` fill in one direction until the other is played.
 */
export type AirKind = 'breath' | 'bellows' | 'button' | 'lungs';

/** How long the air of an instrument and its player lasts. Seconds are those of one middle note. */
export interface AirStore {
  /** At most in one direction: from shut to full, or in one breath. */
  readonly seconds: number;
  /** After so long air is taken where a place offers itself. */
  readonly comfortable: number;
  /** How many times as fast air goes as for one middle note. */
  uses(this: void, pitches: readonly Pitch[]): number;
}

/** Notes sounded together take more air than one. @param each what every further one takes beside the first */
export function usesTogether(each: number): AirStore['uses'] {
  return ({ length }) => 1 + each * (length - 1);
}
