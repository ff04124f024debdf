import {
  ending,
  type Backing,
  type BackingEvent,
  type BackingOptions,
  type Form,
} from '@same-song/core/practice';
import { clickAt, type Score, type ScoreMark, type ScoreSound } from '../../sound/score.ts';
import { byTime, inVersions, soundOf, type RoundMark } from '../round/roundScore.ts';

interface JamOptions {
  /** Counted beats in a bar. */
  readonly beats: number;
  readonly how: BackingOptions;
  readonly a4: number;
  /** Rounds after which it ends; 0 for never. */
  readonly rounds: number;
}

/**
 * An accompaniment that goes round and round after two bars that are counted; its notes are the places of its chords. After
 * its last round it ends on home's chord.
 * @param versions of the accompaniment, in turn
 */
export function jamScore(
  form: Form,
  versions: readonly [Backing, Backing],
  { beats, how, a4, rounds }: JamOptions,
): Score<RoundMark> {
  const beat = 60 / how.perMinute;
  const [under] = versions;
  const begins = 2 * beats * beat;
  const counted = Array.from({ length: 2 * beats }, (_, i) => clickAt(i * beat, i % beats === 0));
  const marks: ScoreMark<RoundMark>[] = [
    ...under.chords.map(({ at }, place) => ({ at: begins + at, mark: { kind: 'note' as const, place } })),
    // Just before its end: at the end itself a last round is over and nothing is told any more.
    { at: begins + under.seconds - 0.02, mark: { kind: 'end' } },
  ];
  const laid = (events: readonly BackingEvent[], from: number): readonly ScoreSound[] =>
    events.map((event) => ({ ...soundOf(event, a4), at: from + event.at }));
  const end = ending(form, how);
  const last = laid(end, begins + under.seconds).map((sound) => ({ ...sound, heardIn: 'last' as const }));
  return {
    sounds: [
      ...counted,
      ...inVersions(true, (version) => laid(versions[version].events, begins)),
      ...last,
    ].sort(byTime),
    marks,
    begins,
    ends: begins + under.seconds,
    loop: true,
    mute: false,
    ...(rounds > 0 && { rounds, rings: Math.max(...end.map(({ seconds }) => seconds)) }),
  };
}
