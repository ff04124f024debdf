import type { Timbre } from '@same-song/core/instruments';
import { TICK_HZ } from '@same-song/core/practice';
import type { Clock } from './clock.ts';
import { partsOf } from './parts.ts';
import type { ScoreKind } from './scoreKind.ts';

/** Something of a score that sounds; times in seconds since its beginning. */
export interface ScoreSound {
  readonly kind: ScoreKind;
  readonly at: number;
  readonly seconds: number;
  /** Of a drum anything. */
  readonly hz: number;
  /** From 0 to 1, beside how loud its kind is; 1 when left out. */
  readonly loud?: number;
  readonly noteId?: string | undefined;
  /** Of a loop, the rounds in which it is heard, counted from 0: every second one, or when the last is over; all when left out. */
  readonly heardIn?: 'even' | 'odd' | 'last';
}

/** Something to be told at a time, such as which beat it is. */
export interface ScoreMark<M> {
  readonly at: number;
  readonly mark: M;
}

export interface Score<M = never> {
  /** Rising by time. */
  readonly sounds: readonly ScoreSound[];
  readonly marks?: readonly ScoreMark<M>[];
  /** From here on it is repeated. */
  readonly begins: number;
  readonly ends: number;
  readonly loop: boolean;
  /** The melody is followed, but not heard. */
  readonly mute: boolean;
  /** Rounds after which a loop ends; never when left out. */
  readonly rounds?: number;
  /** Seconds after its end in which the last round rings out. */
  readonly rings?: number;
}

/** What is told while a score sounds. */
export interface ScoreListener<M = never> {
  /** Of each note of the melody as it sounds, and undefined at the end or when stopped. */
  onNote(id: string | undefined): void;
  /** @param time when it is heard, in ms of the clock of `performance.now`; it may be told a little later */
  onMark?(mark: M, time: number): void;
  /** After each round but the last, with how many were played. */
  onRound?(played: number): void;
  /** How loud a kind is just now, from 0; 1 as usual. Asked whenever something is about to sound. */
  volumeOf?(kind: ScoreKind): number;
}

/** A click at a time. @param isFirst of a bar @param loud from 0 to 1 */
export function clickAt(at: number, isFirst: boolean, loud = 1): ScoreSound {
  return { kind: 'click', at, seconds: 0, loud, hz: isFirst ? TICK_HZ.first : TICK_HZ.other };
}

/** How loud what is not the melody is against it, 1 as loud. */
const LOUDNESS: Readonly<Record<ScoreKind, number>> = {
  melody: 0.9,
  grace: 0.7,
  voice: 0.5,
  chord: 0.5,
  drone: 0.3,
  click: 0.8,
  bass: 0.9,
  kick: 0.9,
  snare: 0.5,
  hat: 0.3,
};
/** What sounds is laid on the clock so long before, in seconds: a busy page makes nothing late, volumes change until then. */
const AHEAD = 0.3;

/** Time from laying a score out to its beginning, in seconds. */
export const LEAD = 0.12;

/**
 * Lays a score out on a clock.
 * @param onEnd called once it has ended by itself
 * @returns what silences it
 */
export function scheduleScore<M = never>(
  score: Score<M>,
  { clock, timbre }: { readonly clock: Clock; readonly timbre: Timbre },
  listener: ScoreListener<M>,
  onEnd: () => void,
): () => void {
  const parts = partsOf(clock.context, timbre);
  const zero = clock.now() + LEAD;
  const waiting = new Set<() => void>();
  const at = (time: number, run: () => void) => {
    const callOff = clock.at(time, () => {
      waiting.delete(callOff);
      run();
    });
    waiting.add(callOff);
  };
  const length = score.ends - score.begins;
  const again = score.sounds.filter((sound) => sound.at >= score.begins - 1e-9);
  const marksAgain = (score.marks ?? []).filter((mark) => mark.at >= score.begins - 1e-9);
  const strike = ({ kind, seconds, hz, loud = 1 }: ScoreSound, time: number) => {
    if ((kind === 'melody' || kind === 'grace') && score.mute) return;
    const volume = LOUDNESS[kind] * loud * (listener.volumeOf?.(kind) ?? 1);
    if (volume > 0) parts.strike(kind, hz, seconds, time, Math.min(1, volume));
  };
  const isLast = (played: number) => !score.loop || played + 1 === score.rounds;
  const isHeard = ({ heardIn: rounds }: ScoreSound, played: number) =>
    rounds === 'last' ? isLast(played) : rounds === undefined || (rounds === 'odd') === (played % 2 === 1);
  /** @param played rounds before this one: its times are counted from the first, so that nothing adds up */
  const round = (sounds: readonly ScoreSound[], marks: readonly ScoreMark<M>[], played: number) => {
    const from = zero + played * length;
    for (const sound of sounds) {
      if (!isHeard(sound, played)) continue;
      const time = from + sound.at;
      if (time - AHEAD <= clock.now()) strike(sound, time);
      else at(time - AHEAD, () => strike(sound, time));
      if (sound.noteId !== undefined) at(time, () => listener.onNote(sound.noteId));
    }
    for (const mark of marks) {
      const time = from + mark.at;
      at(time, () => listener.onMark?.(mark.mark, performance.now() + 1000 * (time - clock.now())));
    }
    const end = from + score.ends;
    if (isLast(played)) return at(end + (score.rings ?? 0) + 0.05, onEnd);
    at(end, () => listener.onRound?.(played + 1));
    at(end - 2 * AHEAD, () => round(again, marksAgain, played + 1));
  };
  round(score.sounds, score.marks ?? [], 0);
  return () => {
    waiting.forEach((callOff) => callOff());
    parts.end();
  };
}
