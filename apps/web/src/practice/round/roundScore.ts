import { frequency } from '@same-song/core/music';
import {
  backing,
  grooveById,
  inRound,
  type BackingEvent,
  type BeatNow,
  type Round,
} from '@same-song/core/practice';
import { clickAt, type Score, type ScoreMark, type ScoreSound } from '../../sound/score.ts';
import type { ScoreKind } from '../../sound/scoreKind.ts';
import type { Playable } from '../stand/playable.ts';

/** What is heard beside what is played. */
export interface Mix {
  /** The line itself, to hear how it goes. */
  readonly line: number;
  readonly click: number;
  readonly bass: number;
  readonly chords: number;
  readonly drums: number;
}

export const USUAL_MIX: Mix = Object.freeze({ line: 1, click: 1, bass: 1, chords: 1, drums: 1 });

const PART_OF: Readonly<Record<ScoreKind, keyof Mix>> = {
  melody: 'line',
  grace: 'line',
  voice: 'line',
  drone: 'line',
  click: 'click',
  bass: 'bass',
  chord: 'chords',
  kick: 'drums',
  snare: 'drums',
  hat: 'drums',
};

/** How loud a kind of sound is in a mix. */
export function volumeIn(mix: Mix, kind: ScoreKind): number {
  return mix[PART_OF[kind]];
}

/** What is told while a round sounds: which beat it is, which note, and the end of a round. */
export type RoundMark =
  | { readonly kind: 'beat'; readonly beat: BeatNow }
  | { readonly kind: 'note'; readonly place: number }
  | { readonly kind: 'end' };

/** A round with its count, its beats as marks, and what accompanies it. @param loop it is counted once, then goes round */
export function roundScore(
  playable: Playable,
  perMinute: number,
  { groove, loop }: { readonly groove: string; readonly loop: boolean },
): Score<RoundMark> {
  const { line } = playable;
  const round = playable.layOut(perMinute);
  const melody = round.notes.flatMap(({ noteId, at, seconds }): ScoreSound[] => {
    const note = line.get(noteId);
    return note?.wayId === undefined ? [] : [{ kind: 'melody', at, seconds, hz: note.hz }];
  });
  const clicks = round.beats.map(({ at, beat }) => clickAt(at, beat === 1));
  const marks: ScoreMark<RoundMark>[] = [
    ...round.beats.map(({ at, beat, said, of }) => ({
      at,
      mark: { kind: 'beat' as const, beat: { beat, said, of } },
    })),
    ...round.notes.map(({ at }, place) => ({ at, mark: { kind: 'note' as const, place } })),
    { at: round.ends, mark: { kind: 'end' } },
  ];
  return {
    sounds: [...melody, ...clicks, ...accompaniment(playable, round, { perMinute, groove, loop })].sort(
      byTime,
    ),
    marks: marks.sort(byTime),
    begins: round.begins,
    ends: round.ends,
    loop,
    mute: false,
  };
}

export const byTime = (a: { readonly at: number }, b: { readonly at: number }) => a.at - b.at;

/** What accompanies a round, bar for bar. @param groove its id; empty for nothing */
function accompaniment(
  { form, feel, home, a4 }: Playable,
  round: Round,
  {
    perMinute,
    groove,
    loop,
  }: { readonly perMinute: number; readonly groove: string; readonly loop: boolean },
): readonly ScoreSound[] {
  if (groove === '' || !form) return [];
  return inVersions(loop, (version) => {
    const { events } = backing(form, { groove: grooveById(groove), perMinute, home, feel, version });
    return events.flatMap((event): ScoreSound[] => {
      const at = inRound(round, form, (event.at * perMinute) / 60);
      return at === undefined ? [] : [soundOf({ ...event, at }, a4)];
    });
  });
}

/** An accompaniment whose groove begins in its other version every second round, where it goes round. */
export function inVersions(
  loops: boolean,
  sounds: (version: 0 | 1) => readonly ScoreSound[],
): readonly ScoreSound[] {
  if (!loops) return sounds(0);
  return [
    ...sounds(0).map((sound) => ({ ...sound, heardIn: 'even' as const })),
    ...sounds(1).map((sound) => ({ ...sound, heardIn: 'odd' as const })),
  ];
}

/** How an accompaniment's event sounds. */
export function soundOf({ part, play, at, seconds, pitch, loud }: BackingEvent, a4: number): ScoreSound {
  const kind: ScoreKind =
    part === 'bass'
      ? 'bass'
      : part === 'chords'
        ? 'chord'
        : play === 'kick' || play === 'snare'
          ? play
          : 'hat';
  return { kind, at, seconds, loud, hz: part === 'drums' ? DRUM_HZ : frequency(pitch, a4) };
}

/** Of a kick; noise has none. */
const DRUM_HZ = 62;
