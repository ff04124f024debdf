import type { EffortPart, Loads } from './effortPart.ts';

/** Parts of the effort that come from one's own instrument and choices, in every family after its own parts. */
export const PERSONAL_PARTS: readonly EffortPart[] = Object.freeze([
  {
    id: 'tuning',
    label: 'out of tune',
    tally: 'sum',
    about: 'Measured deviation of the ways used, 10 cents counting 1.',
    weight: 0.6,
  },
  {
    id: 'choice',
    label: 'against your choice',
    tally: 'notes',
    about: 'Ways other than the one you chose for their pitch on this instrument.',
    weight: 5,
  },
]);

/** Cents that count as one. */
const CENTS_PER_LOAD = 10;

/** @param cents deviation from the pitch; @param against true when another way of the pitch was chosen */
export function personalLoads(cents: number, against: boolean): Loads {
  return [Math.abs(cents) / CENTS_PER_LOAD, against ? 1 : 0];
}
