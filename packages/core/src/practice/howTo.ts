import type { KeyOrderId } from './keyOrder.ts';
import type { ArticulationId } from './rhythm.ts';

/** How something is practised. */
export interface HowToPractise {
  /** Counted beats a minute: where it begins, where it shall lead, and how much a step is. */
  readonly tempo: number;
  readonly wanted: number;
  readonly step: number;
  readonly articulation: ArticulationId;
  /** Id of a rhythm, or lengths in beats. */
  readonly rhythm: string;
  readonly order: KeyOrderId;
  /** How long at a time. */
  readonly minutes: number;
  /** Id of a groove; empty for none. */
  readonly groove: string;
}

export const USUAL_WAY: HowToPractise = Object.freeze({
  tempo: 60,
  wanted: 96,
  step: 6,
  articulation: 'plain',
  rhythm: 'even',
  order: 'one',
  minutes: 5,
  groove: '',
} as const);

export const MINUTES_LIMIT = 90;
