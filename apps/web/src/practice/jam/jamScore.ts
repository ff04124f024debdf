import type { Backing } from '@same-song/core/practice';
import { clickAt, type Score, type ScoreMark } from '../../sound/score.ts';
import { soundOf, type RoundMark } from '../round/roundScore.ts';

interface JamOptions {
  /** Counted beats in a bar. */
  readonly beats: number;
  readonly perMinute: number;
  readonly a4: number;
  /** Rounds after which it ends; 0 for never. */
  readonly rounds: number;
}

/** An accompaniment that goes round and round after two bars that are counted; its notes are the places of its chords. */
export function jamScore(under: Backing, { beats, perMinute, a4, rounds }: JamOptions): Score<RoundMark> {
  const beat = 60 / perMinute;
  const begins = 2 * beats * beat;
  const counted = Array.from({ length: 2 * beats }, (_, i) => clickAt(i * beat, i % beats === 0));
  const marks: ScoreMark<RoundMark>[] = [
    ...under.chords.map(({ at }, place) => ({ at: begins + at, mark: { kind: 'note' as const, place } })),
    // Just before its end: at the end itself a last round is over and nothing is told any more.
    { at: begins + under.seconds - 0.02, mark: { kind: 'end' } },
  ];
  return {
    sounds: [...counted, ...under.events.map((event) => ({ ...soundOf(event, a4), at: begins + event.at }))],
    marks,
    begins,
    ends: begins + under.seconds,
    loop: true,
    mute: false,
    ...(rounds > 0 && { rounds }),
  };
}
