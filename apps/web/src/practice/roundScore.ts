import { backing, frequency, grooveById, roundOf, type BackingEvent } from '@same-song/core';
import { clickAt, type Score, type ScoreKind, type ScoreMark, type ScoreSound } from '../sound/score.ts';
import type { Playable } from './playable.ts';

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
  ...{ melody: 'line', grace: 'line', voice: 'line', drone: 'line' },
  ...{ click: 'click', bass: 'bass', chord: 'chords', kick: 'drums', snare: 'drums', hat: 'drums' },
};

/** How loud a kind of sound is in a mix. */
export function volumeIn(mix: Mix, kind: ScoreKind): number {
  return mix[PART_OF[kind]];
}

/** What is told while a round sounds: which beat it is and what is said on it, which note, and its end. */
export type RoundMark =
  | { readonly kind: 'beat'; readonly beat: number; readonly said: number }
  | { readonly kind: 'note'; readonly place: number }
  | { readonly kind: 'end' };

export function readMark(mark: string): RoundMark {
  const [first = 0, second = 0] = mark.slice(1).split('.').map(Number);
  if (mark[0] === 'b') return { kind: 'beat', beat: first, said: second };
  return mark[0] === 'n' ? { kind: 'note', place: first } : { kind: 'end' };
}

/** A round with its count, its beats as marks, and what accompanies it. @param loop it is counted once, then goes round */
export function roundScore(
  playable: Playable,
  perMinute: number,
  { groove, loop }: { readonly groove: string; readonly loop: boolean },
): Score {
  const { notes, beatsPerBar, phase, line, form, home, a4 } = playable;
  const round = roundOf({ notes, beatsPerBar, phase, perMinute, countIn: true });
  const melody = round.notes.flatMap(({ noteId, at, seconds }): ScoreSound[] => {
    const note = line.get(noteId);
    return note?.wayId === undefined ? [] : [{ kind: 'melody', at, seconds, hz: note.hz }];
  });
  const clicks = round.beats.map(({ at, beat }) => clickAt(at, beat === 1));
  const under =
    groove === '' || !form ? undefined : backing(form, { groove: grooveById(groove), perMinute, home });
  const sounds = under ? repeated(under.events, under.seconds, round).map((one) => soundOf(one, a4)) : [];
  const marks: ScoreMark[] = [
    ...round.beats.map(({ at, beat, said }) => ({ at, mark: `b${beat}.${said}` })),
    ...round.notes.map(({ at }, i) => ({ at, mark: `n${i}` })),
    { at: round.ends, mark: 'end' },
  ];
  return {
    sounds: [...melody, ...clicks, ...sounds].sort((a, b) => a.at - b.at),
    marks: marks.sort((a, b) => a.at - b.at),
    ...{ begins: round.begins, ends: round.ends, loop, mute: false },
  };
}

/** An accompaniment from where the line begins to where the round ends, its form as often as it fits. */
function repeated(
  events: readonly BackingEvent[],
  seconds: number,
  { begins, ends }: { readonly begins: number; readonly ends: number },
): readonly BackingEvent[] {
  const times = Math.ceil((ends - begins) / seconds);
  return Array.from({ length: times }, (_, time) =>
    events.map((event) => ({ ...event, at: begins + time * seconds + event.at })),
  )
    .flat()
    .filter(({ at }) => at < ends - 1e-9);
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
