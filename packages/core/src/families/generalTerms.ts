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

/** Where air is limited, the route follows it along the line. */
export const AIR_BUTTON: TermInfo = Object.freeze({
  id: 'air-button',
  label: 'air button',
  about: 'Notes before which the bellows have run out and the air button must help.',
  tally: 'sum',
  weight: 2,
});
