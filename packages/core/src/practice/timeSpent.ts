/** Time that counts as practice so far. All times in ms of a clock that only goes forward. */
export interface TimeSpent {
  readonly ms: number;
  /** Up to when it was counted; undefined before anything was played. */
  readonly countedTo: number | undefined;
  /** Something sounds, so that all time counts. */
  readonly sounding: boolean;
}

export const NO_TIME_SPENT: TimeSpent = Object.freeze({ ms: 0, countedTo: undefined, sounding: false });

/** A pause that is longer was no practice, in ms. */
const LONGEST_PAUSE = 120_000;

/**
 * Counts the time up to now: while something sounds all of it, however long a round is, and of a pause between two rounds
 * no more than two minutes. @param sounding whether something sounds from now on; as before when left out
 */
export function countTime(
  { ms, countedTo, sounding }: TimeSpent,
  now: number,
  soundingNow: boolean = sounding,
): TimeSpent {
  const passed = countedTo === undefined ? 0 : Math.max(0, now - countedTo);
  const counts = sounding ? passed : Math.min(LONGEST_PAUSE, passed);
  return { ms: ms + counts, countedTo: now, sounding: soundingNow };
}
