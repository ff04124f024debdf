import {
  follow,
  followedWays,
  followedWords,
  REACH,
  type Followed,
  type HeardNote,
  type Instrument,
  type JudgedNote,
  type NoteFate,
  type WantedWay,
  type WayCount,
} from '@same-song/core';

/** How a note went, as the page tells it: what is off is flat or sharp where it is that note at all. */
export type ShownFate = Exclude<NoteFate, 'off'> | 'flat' | 'sharp' | 'another';

/** How a round was heard: in words, by note and by way. */
export interface HeardRound {
  readonly followed: Followed;
  readonly words: string;
  /** By id of the wanted note. */
  readonly fates: ReadonlyMap<string, ShownFate>;
  readonly ways: Readonly<Record<string, WayCount>>;
}

/** Lays what was heard beside what was wanted. @param delay seconds that the devices may take; usual when left out */
export function heardRound(
  instrument: Instrument,
  wanted: readonly WantedWay[],
  notes: readonly HeardNote[],
  delay?: number,
): HeardRound {
  const followed = follow(wanted, notes, delay);
  return {
    followed,
    words: followedWords(followed),
    fates: new Map(followed.notes.map((note) => [note.id, shown(note)])),
    ways: followedWays(instrument, wanted, followed),
  };
}

function shown({ fate, cents = 0 }: JudgedNote): ShownFate {
  if (fate !== 'off') return fate;
  if (Math.abs(cents) > 100 * REACH) return 'another';
  return cents > 0 ? 'sharp' : 'flat';
}
