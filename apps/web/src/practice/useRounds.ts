import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { afterRound, firstRung, type Ladder, type Rung } from '@same-song/core';
import { soundTrouble } from '../map/usePlayer.ts';
import { stopLine } from '../sound/player.ts';
import { playScore } from '../sound/score.ts';
import type { Playable } from './playable.ts';
import { readMark, roundScore, volumeIn, type Mix } from './roundScore.ts';
import type { RoundTold } from './useLog.ts';

/** Where a round is: nothing sounds, it is counted in, it is played, or it is over and not judged yet. */
export type Stage = 'still' | 'counting' | 'playing' | 'over';

/** How rounds follow each other: one at a time, the next one by itself after a pause, or round and round uncounted. */
export type Following = 'waits' | 'goes on' | 'loops';

/** How long after a round the next one begins by itself, in ms. */
const PAUSE = 3500;
/** Until the next round is laid out, in ms. */
const BREATH = 600;

/** A beat as it is seen: which of its bar, and what is said on it. */
export interface Beat {
  readonly beat: number;
  readonly said: number;
}
const NO_BEAT: Beat = Object.freeze({ beat: 0, said: 0 });

interface Rounds {
  readonly playable: Playable;
  readonly ladder: Ladder;
  /** Tempo to begin with. */
  readonly tempo: number;
  readonly groove: string;
  readonly mix: Mix;
  readonly following: Following;
  /** A round sounds, at so many beats a minute. */
  readonly onBegin: (perMinute: number) => void;
  /** Nothing sounds any more, ended or stopped. */
  readonly onRest: () => void;
  /** A round was played: first that it was, which only adds its time, and again when somebody says how it went. */
  readonly onRound: (told: Pick<RoundTold, 'clean' | 'tempo' | 'ways'>) => void;
  /** A round is done with, judged or passed over: what is played may change now. */
  readonly onPassed: () => void;
}

/** Plays something round after round, counted in, at the tempo of its ladder. */
export function useRounds({
  playable,
  ladder,
  tempo,
  groove,
  mix,
  following,
  onBegin,
  onRest,
  onRound,
  onPassed,
}: Rounds) {
  const [stage, setStage] = useState<Stage>('still');
  const [rung, setRung] = useState<Rung>(() => ({ ...firstRung(ladder), perMinute: tempo }));
  const [rounds, setRounds] = useState(0);
  /** Place of the note that sounds. */
  const [at, setAt] = useState<number | undefined>(undefined);
  const [beat, setBeat] = useState(NO_BEAT);
  /** Rounds that were played to their end and are not in the log. */
  const [untold, setUntold] = useState(0);
  const volumes = useRef(mix);
  useEffect(() => {
    volumes.current = mix;
  }, [mix]);
  const loop = following === 'loops';
  const { perMinute } = rung;
  const score = useMemo(
    () => roundScore(playable, perMinute, { groove, loop }),
    [playable, perMinute, groove, loop],
  );
  const ended = useRef(false);
  const stop = useCallback(() => stopLine(), []);
  const begin = useCallback(() => {
    ended.current = false;
    setAt(undefined);
    setStage('counting');
    onBegin(perMinute);
    playScore(score, playable.family.timbre, {
      onNote(id) {
        if (id !== undefined) return;
        setAt(undefined);
        setBeat(NO_BEAT);
        setStage(ended.current ? 'over' : 'still');
        onRest();
      },
      onMark(text) {
        const mark = readMark(text);
        if (mark.kind === 'beat') return setBeat(mark);
        if (mark.kind === 'note') {
          setStage('playing');
          return setAt(mark.place);
        }
        ended.current = true;
        setRounds((before) => before + 1);
        setUntold((before) => before + 1);
      },
      volumeOf: (kind) => volumeIn(volumes.current, kind),
    }).catch((error: unknown) => {
      setStage('still');
      soundTrouble(error);
    });
  }, [score, perMinute, playable, onBegin, onRest]);
  // After the sound has told it, not while it does: the log is written at once.
  useEffect(() => {
    if (untold === 0) return;
    setUntold(0);
    onRound({ tempo: perMinute });
  }, [untold, onRound, perMinute]);
  const [waiting, setWaiting] = useState(false);
  /** The round that is over is done with; the next one begins, if wanted. */
  const pass = useCallback(
    (again: boolean) => {
      setStage('still');
      setWaiting(again);
      onPassed();
    },
    [onPassed],
  );
  const mark = useCallback(
    (clean: boolean, again: boolean, ways: RoundTold['ways'] = {}) => {
      setRung(afterRound(ladder, rung, clean));
      onRound({ clean, tempo: rung.perMinute, ways });
      pass(again);
    },
    [ladder, rung, onRound, pass],
  );
  // The next round is laid out at its own tempo first.
  useEffect(() => {
    if (!waiting || stage !== 'still') return undefined;
    const timer = window.setTimeout(() => {
      setWaiting(false);
      begin();
    }, BREATH);
    return () => window.clearTimeout(timer);
  }, [waiting, stage, begin]);
  useEffect(() => {
    if (stage !== 'over' || following !== 'goes on') return undefined;
    const timer = window.setTimeout(() => pass(true), PAUSE - BREATH);
    return () => window.clearTimeout(timer);
  }, [stage, following, pass]);
  // What is played changed, or how its rounds follow: what sounds is no longer it.
  useEffect(() => stopLine, [playable, loop]);
  const setTempo = useCallback((wanted: number) => {
    stopLine();
    setRung({ perMinute: wanted, clean: 0, missed: 0 });
  }, []);
  return { stage, rung, rounds, at, beat, begin, stop, mark, pass, setTempo };
}
