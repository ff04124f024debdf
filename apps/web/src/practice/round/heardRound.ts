import {
  matchRound,
  matchedWays,
  matchWords,
  PITCH_TOLERANCE,
  type MatchedRound,
  type HeardNote,
  type JudgedNote,
  type NoteResult,
  type WantedWay,
  type WayCount,
} from '@same-song/core/ear';
import type { Instrument } from '@same-song/core/instruments';

/** How a note went, as the page tells it: what is off is flat or sharp where it is that note at all. */
export type ShownResult = Exclude<NoteResult, 'off'> | 'flat' | 'sharp' | 'another';

/** How a round was heard: in words, by note and by way. */
export interface HeardRound {
  readonly followed: MatchedRound;
  readonly words: string;
  /** By id of the wanted note. */
  readonly results: ReadonlyMap<string, ShownResult>;
  readonly ways: Readonly<Record<string, WayCount>>;
}

/** Lays what was heard beside what was wanted. @param delay seconds that the devices may take; usual when left out */
export function heardRound(
  instrument: Instrument,
  wanted: readonly WantedWay[],
  notes: readonly HeardNote[],
  delay?: number,
): HeardRound {
  const followed = matchRound(wanted, notes, delay);
  return {
    followed,
    words: matchWords(followed),
    results: new Map(followed.notes.map((note) => [note.id, shown(note)])),
    ways: matchedWays(instrument, wanted, followed),
  };
}

function shown({ result, cents = 0 }: JudgedNote): ShownResult {
  if (result !== 'off') return result;
  if (Math.abs(cents) > 100 * PITCH_TOLERANCE) return 'another';
  return cents > 0 ? 'sharp' : 'flat';
}
