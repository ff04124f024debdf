import type { AirKind } from './air.ts';
import type { TermInfo } from './effortTerm.ts';

/** Terms of the effort that no family computes by itself; every family has them after its own. */

/** What was measured on one's own instrument. */
export const OUT_OF_TUNE: TermInfo = Object.freeze({
  id: 'tuning',
  label: 'out of tune',
  about: 'Measured deviation of the ways used, 10 cents counting 1.',
  tally: 'sum',
  weight: 0.6,
});

/** What was chosen on one's own instrument. */
export const AGAINST_CHOICE: TermInfo = Object.freeze({
  id: 'choice',
  label: 'against your choice',
  about: 'Ways other than the one you chose for their pitch on this instrument.',
  tally: 'notes',
  weight: 5,
});

/** Where notes turn the bellows, the route follows them along the line. */
export const AIR_BUTTON: TermInfo = Object.freeze({
  id: 'air-button',
  label: 'air button',
  about: 'Notes before which the bellows have run out and the air button must help.',
  tally: 'sum',
  weight: 2,
});

/** Where breath turns with the notes, the route follows how long it goes one way. */
export const LONG_AIR: TermInfo = Object.freeze({
  id: 'long-air',
  label: 'too long in one direction',
  about: 'Notes begun when the lungs are full, or empty.',
  tally: 'sum',
  weight: 1.5,
});

/** What running out of air costs, by how it comes back; of the others it is no matter of the ways that are chosen. */
export const AIR_TERMS: Readonly<Partial<Record<AirKind, readonly TermInfo[]>>> = Object.freeze({
  button: [AIR_BUTTON],
  lungs: [LONG_AIR],
});
