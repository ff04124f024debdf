import { createEmptyCard, fsrs, Rating, type Card, type Grade } from 'ts-fsrs';
import type { LogEntry } from '@same-song/core/practice';

/** When something is to be played again, from how it went so far. */
export interface Schedule {
  /** In ms since 1970; undefined where it was never played. */
  readonly due: number | undefined;
  readonly last: number | undefined;
}

/** Practice is kept up: nothing waits for longer than three weeks, and what is not as fast yet as it is wanted not for longer than four days. */
const LONGEST = 21 * 86_400_000;
const LONGEST_ON_THE_WAY = 4 * 86_400_000;

/** Without chance: the same log gives the same days. */
const scheduler = fsrs({
  enable_fuzz: false,
  enable_short_term: false,
  request_retention: 0.9,
});

/** Share of clean rounds from which on it went so. */
const WENT: readonly (readonly [number, Grade])[] = [
  [0.95, Rating.Easy],
  [0.65, Rating.Good],
  [0.35, Rating.Hard],
  [0, Rating.Again],
];

/**
 * @param entries of one item and person, rising by time
 * @param wanted beats a minute that are wanted; what has no tempo is there already
 */
export function scheduleOf(
  entries: readonly Pick<LogEntry, 'at' | 'rounds' | 'clean' | 'tempo'>[],
  wanted = 0,
): Schedule {
  const [first] = entries;
  if (!first) return { due: undefined, last: undefined };
  const card = entries.reduce<Card>(
    (before, { at, rounds, clean }) => scheduler.next(before, new Date(at), ratingOf(rounds, clean)).card,
    createEmptyCard(new Date(first.at)),
  );
  const { at, tempo } = entries.at(-1)!;
  const last = Date.parse(at);
  const longest = tempo > 0 && tempo < wanted ? LONGEST_ON_THE_WAY : LONGEST;
  return { due: Math.min(card.due.getTime(), last + longest), last };
}

/** What was played without counting went well enough. */
function ratingOf(rounds: number, clean: number): Grade {
  const share = rounds === 0 ? 0.8 : clean / rounds;
  return WENT.find(([from]) => share >= from)![1];
}
