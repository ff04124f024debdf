import { useCallback, useEffect, useRef, useState } from 'react';
import type { Timbre } from '@same-song/core/instruments';
import {
  firstRoundState,
  nextRound,
  type Ladder,
  type RepeatMode,
  type RoundEffect,
  type RoundEvent,
  type RoundState,
} from '@same-song/core/practice';
import { playScore, stopPlaying } from '../../sound/player.ts';
import type { Score } from '../../sound/score.ts';
import type { ScoreKind } from '../../sound/scoreKind.ts';
import { soundTrouble } from '../../sound/soundTrouble.ts';
import type { RoundResult } from '../log/useLog.ts';
import type { RoundMark } from './roundScore.ts';

/** What a round does besides sounding; each is called as the machine comes to it. */
export interface RoundHandlers {
  /** Sound begins, at so many beats a minute; sound has ended. */
  readonly began: (perMinute: number) => void;
  readonly rested: () => void;
  /** A round was played to its end, or is judged. */
  readonly report: (round: Pick<RoundResult, 'clean' | 'tempo' | 'ways'>) => void;
  /** What is played may change now. */
  readonly passed?: () => void;
  readonly startListening?: () => void;
  readonly firstBeat?: (perMinute: number) => void;
  /** @param since ms of the page's clock @param goesOn the next round sounds already */
  readonly judge?: (since: number, goesOn: boolean) => void;
}

/** A round laid out to sound. */
export interface RoundSound {
  readonly score: Score<RoundMark>;
  readonly timbre: Timbre;
}

interface RoundOptions {
  readonly ladder: Ladder;
  /** Counted beats a minute to begin with. */
  readonly tempo: number;
  readonly mode?: RepeatMode;
  /** Changes when another thing is to be played: what sounds is silenced then. */
  readonly subject: unknown;
  /** What sounds, at a tempo, repeated or once; undefined where there is nothing to play. */
  readonly lay: (perMinute: number, loops: boolean) => RoundSound | undefined;
  /** How loud a kind is just now, from 0; 1 as usual. */
  readonly volumeOf: (kind: ScoreKind) => number;
  readonly handlers: RoundHandlers;
}

/** Runs a round machine: plays what it asks for, tells it what is heard and when, and waits as long as it says. */
export function useRoundMachine(options: RoundOptions): {
  readonly state: RoundState;
  readonly send: (event: RoundEvent) => void;
} {
  const { ladder, tempo, mode, subject } = options;
  const [state, setState] = useState(() => firstRoundState(ladder, tempo, mode));
  const current = useRef(state);
  const latest = useRef(options);
  useEffect(() => {
    latest.current = options;
  });
  const timers = useRef(new Set<number>());
  const giveUpWaiting = useCallback(() => {
    timers.current.forEach((timer) => window.clearTimeout(timer));
    timers.current.clear();
  }, []);
  const wait = useCallback((run: () => void, ms: number) => {
    timers.current.add(window.setTimeout(run, ms));
  }, []);
  /** Events that came while another was being worked off. */
  const queue = useRef<RoundEvent[]>([]);
  const isWorking = useRef(false);
  /** The page was left: what still comes in means nothing. */
  const isGone = useRef(false);
  const send = useCallback(
    (event: RoundEvent) => {
      if (isGone.current) return;
      queue.current.push(event);
      if (isWorking.current) return;
      isWorking.current = true;
      for (let next = queue.current.shift(); next; next = queue.current.shift()) {
        const step = nextRound(current.current, next);
        current.current = step.state;
        for (const effect of step.effects)
          run(effect, {
            options: latest.current,
            volumeNow: (kind) => latest.current.volumeOf(kind),
            state: current.current,
            send,
            wait,
            giveUpWaiting,
          });
      }
      isWorking.current = false;
      setState(current.current);
    },
    [wait, giveUpWaiting],
  );
  const known = useRef(subject);
  useEffect(() => {
    if (known.current === subject) return;
    known.current = subject;
    send({ kind: 'changed' });
  }, [subject, send]);
  useEffect(() => {
    isGone.current = false;
    return () => {
      stopPlaying();
      giveUpWaiting();
      isGone.current = true;
    };
  }, [giveUpWaiting]);
  return { state, send };
}

/** What effects are run with. */
interface Running {
  readonly options: RoundOptions;
  /** As it stands whenever something sounds. */
  readonly volumeNow: RoundOptions['volumeOf'];
  readonly state: RoundState;
  readonly send: (event: RoundEvent) => void;
  readonly wait: (run: () => void, ms: number) => void;
  readonly giveUpWaiting: () => void;
}

function run(effect: RoundEffect, running: Running): void {
  const { handlers } = running.options;
  switch (effect.kind) {
    case 'play':
      return play(effect, running);
    case 'silence':
      return stopPlaying();
    case 'give up waiting':
      return running.giveUpWaiting();
    case 'wait':
      return running.wait(() => running.send({ kind: 'timer', timer: effect.timer }), effect.ms);
    case 'began':
      return handlers.began(effect.perMinute);
    case 'rested':
      return handlers.rested();
    case 'report': {
      const { kind: _, ...round } = effect;
      return handlers.report(round);
    }
    case 'passed':
      return handlers.passed?.();
    case 'startListening':
      return handlers.startListening?.();
    case 'first beat':
      return handlers.firstBeat?.(running.state.rung.perMinute);
    case 'judge':
      return handlers.judge?.(effect.since, effect.goesOn);
  }
}

function play(
  { run: number, perMinute, loops }: Extract<RoundEffect, { readonly kind: 'play' }>,
  { options, volumeNow, send }: Running,
): void {
  const sound = options.lay(perMinute, loops);
  if (!sound) return send({ kind: 'silent', run: number });
  playScore(sound.score, sound.timbre, {
    onNote: (id) => {
      if (id === undefined) send({ kind: 'silent', run: number });
    },
    onMark: (mark, time) => send(eventOf(mark, number, time)),
    volumeOf: volumeNow,
  }).catch(() => {
    send({ kind: 'silent', run: number });
    soundTrouble();
  });
}

function eventOf(mark: RoundMark, run: number, time: number): RoundEvent {
  if (mark.kind === 'beat') return { kind: 'beat', run, beat: mark.beat };
  return mark.kind === 'note' ? { kind: 'note', run, place: mark.place, time } : { kind: 'end', run };
}
