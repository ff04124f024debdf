import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import {
  afterRound,
  backing,
  firstRung,
  frequency,
  grooveById,
  roundOf,
  type BackingEvent,
  type Ladder,
  type Rung,
} from '@same-song/core';
import { soundTrouble } from '../map/usePlayer.ts';
import { stopLine } from '../sound/player.ts';
import { CLICK_HZ, playScore, type ScoreKind, type ScoreMark, type ScoreSound } from '../sound/score.ts';
import type { Playable } from './playable.ts';
import type { RoundTold } from './useLog.ts';

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

/** Where a round is: nothing sounds, it is counted in, it is played, or it is over and not judged yet. */
export type Stage = 'still' | 'counting' | 'playing' | 'over';

/** How long after a round the next one begins by itself, in ms. */
const PAUSE = 3500;

interface Rounds {
  readonly playable: Playable;
  readonly ladder: Ladder;
  /** Tempo to begin with. */
  readonly tempo: number;
  readonly groove: string;
  readonly mix: Mix;
  /** The next round begins by itself. */
  readonly goesOn: boolean;
  readonly onBegin: () => void;
  readonly onRound: (told: Pick<RoundTold, 'clean' | 'tempo'>) => void;
}

/** Plays something round after round, counted in, at the tempo of its ladder. */
export function useRounds({ playable, ladder, tempo, groove, mix, goesOn, onBegin, onRound }: Rounds) {
  const [stage, setStage] = useState<Stage>('still');
  const [rung, setRung] = useState<Rung>(() => ({ ...firstRung(ladder), perMinute: tempo }));
  const [count, setCount] = useState({ rounds: 0, clean: 0 });
  /** Place of the note that sounds. */
  const [at, setAt] = useState<number | undefined>(undefined);
  const [beat, setBeat] = useState(0);
  const [chordAt, setChordAt] = useState<number | undefined>(undefined);
  const volumes = useRef(mix);
  useEffect(() => {
    volumes.current = mix;
  }, [mix]);
  const score = useMemo(() => scoreOf(playable, rung.perMinute, groove), [playable, rung.perMinute, groove]);
  const ended = useRef(false);
  const stop = useCallback(() => stopLine(), []);
  const begin = useCallback(() => {
    ended.current = false;
    setAt(undefined);
    setStage('counting');
    onBegin();
    playScore(score, playable.family.timbre, {
      onNote(id) {
        if (id !== undefined) return;
        setAt(undefined);
        setBeat(0);
        setStage(ended.current ? 'over' : 'still');
      },
      onMark(mark) {
        const number = Number(mark.slice(1));
        if (mark === 'end') ended.current = true;
        else if (mark[0] === 'b') setBeat(number);
        else if (mark[0] === 'c') setChordAt(number);
        else {
          setStage('playing');
          setAt(number);
        }
      },
      volumeOf: (kind) => volumeIn(volumes.current, kind),
    }).catch((error: unknown) => {
      setStage('still');
      soundTrouble(error);
    });
  }, [score, playable, onBegin]);
  const [waiting, setWaiting] = useState(false);
  /** The round that is over went so; the next one begins, if wanted. */
  const mark = useCallback(
    (clean: boolean, again: boolean) => {
      setCount(({ rounds, clean: before }) => ({ rounds: rounds + 1, clean: before + Number(clean) }));
      setRung(afterRound(ladder, rung, clean));
      onRound({ clean, tempo: rung.perMinute });
      setStage('still');
      setWaiting(again);
    },
    [ladder, rung, onRound],
  );
  // The next round is laid out at its own tempo first.
  useEffect(() => {
    if (!waiting || stage !== 'still') return undefined;
    const timer = window.setTimeout(() => {
      setWaiting(false);
      begin();
    }, 600);
    return () => window.clearTimeout(timer);
  }, [waiting, stage, begin]);
  useEffect(() => {
    if (stage !== 'over' || !goesOn) return undefined;
    const timer = window.setTimeout(() => begin(), PAUSE);
    return () => window.clearTimeout(timer);
  }, [stage, goesOn, begin]);
  // What is played changed: what sounds is no longer it.
  useEffect(() => stopLine, [playable]);
  const setTempo = useCallback((perMinute: number) => {
    stopLine();
    setRung({ perMinute, clean: 0, missed: 0 });
  }, []);
  return { stage, rung, count, at, beat, chordAt, begin, stop, mark, setTempo };
}

const PART_OF: Readonly<Record<ScoreKind, keyof Mix>> = {
  ...{ melody: 'line', grace: 'line', voice: 'line', drone: 'line' },
  ...{ click: 'click', bass: 'bass', chord: 'chords', kick: 'drums', snare: 'drums', hat: 'drums' },
};

/** How loud a kind of sound is in a mix. */
export function volumeIn(mix: Mix, kind: ScoreKind): number {
  return mix[PART_OF[kind]];
}

/** A round with its count, its beats as marks, and what accompanies it. */
function scoreOf(playable: Playable, perMinute: number, groove: string) {
  const { notes, beatsPerBar, phase, line, form, home, a4 } = playable;
  const round = roundOf({ notes, beatsPerBar, phase, perMinute, countIn: true });
  const melody = round.notes.flatMap(({ noteId, at, seconds }): ScoreSound[] => {
    const note = line.get(noteId);
    return note?.wayId === undefined ? [] : [{ kind: 'melody', at, seconds, hz: note.hz }];
  });
  const clicks = round.beats.map(({ at, beat }): ScoreSound => ({
    ...{ kind: 'click', at, seconds: 0, hz: beat === 1 ? CLICK_HZ.first : CLICK_HZ.other },
  }));
  const under =
    groove === '' || !form ? undefined : backing(form, { groove: grooveById(groove), perMinute, home });
  const sounds = under ? repeated(under.events, under.seconds, round).map((one) => soundOf(one, a4)) : [];
  const marks: ScoreMark[] = [
    ...round.beats.map(({ at, beat }) => ({ at, mark: `b${beat}` })),
    ...round.notes.map(({ at }, i) => ({ at, mark: `n${i}` })),
    ...(under?.chords.map(({ at }, i) => ({ at: round.begins + at, mark: `c${i}` })) ?? []),
    { at: round.ends, mark: 'end' },
  ];
  return {
    sounds: [...melody, ...clicks, ...sounds].sort((a, b) => a.at - b.at),
    marks: marks.sort((a, b) => a.at - b.at),
    ...{ begins: round.begins, ends: round.ends, loop: false, mute: false },
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
