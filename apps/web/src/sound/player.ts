import type { Timbre } from '@same-song/core/instruments';
import { liveClock } from './clock.ts';
import { voiceOf } from './parts.ts';
import { scheduleScore, type Score, type ScoreListener } from './score.ts';
import { voicesOf } from './voices.ts';

/** Ends what sounds or is about to. */
let stopCurrent: (() => void) | undefined;
/** Counts what was begun and silenced: what still waits for the clock sounds only if nothing came after it. */
let turn = 0;

/** Length of a single note, in seconds. */
const NOTE = 0.7;

/** Sounds one note. @throws as the browser does where no sound can be made */
export async function playNote(hz: number, timbre: Timbre): Promise<void> {
  const mine = turn;
  const { context } = await liveClock();
  if (mine !== turn) return;
  const voices = voicesOf(context, voiceOf(timbre));
  voices.strike(hz, NOTE, context.currentTime + 0.01, 1);
  window.setTimeout(() => voices.end(), 1000 * NOTE + timbre.releaseMs + 100);
}

/**
 * Silences what sounds and plays a score, all of it on the clock of the sound, unless it is silenced meanwhile.
 * @throws as the browser does where no sound can be made
 */
export async function playScore<M = never>(
  score: Score<M>,
  timbre: Timbre,
  listener: ScoreListener<M> | ScoreListener<M>['onNote'],
): Promise<void> {
  const told = typeof listener === 'function' ? { onNote: listener } : listener;
  stopPlaying();
  const mine = turn;
  stopCurrent = () => told.onNote(undefined);
  const clock = await liveClock();
  if (mine !== turn) return;
  const silence = scheduleScore(score, { clock, timbre }, told, () => mine === turn && stopPlaying());
  stopCurrent = () => {
    silence();
    told.onNote(undefined);
  };
}

/** Silences what is playing, notes yet to come included. */
export function stopPlaying(): void {
  turn += 1;
  const stop = stopCurrent;
  stopCurrent = undefined;
  stop?.();
}
