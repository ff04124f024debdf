import type * as ToneModule from 'tone';
import type { Timbre } from '@same-song/core';
import { LEAD, startPlaying, stopLine, type Ready } from './player.ts';

/** Something of a score that sounds; times in seconds since its beginning. */
export interface ScoreSound {
  readonly kind: 'melody' | 'grace' | 'voice' | 'chord' | 'drone' | 'click';
  readonly at: number;
  readonly seconds: number;
  readonly hz: number;
  readonly noteId?: string | undefined;
}

export interface Score {
  /** Rising by time. */
  readonly sounds: readonly ScoreSound[];
  /** From here on it is repeated. */
  readonly begins: number;
  readonly ends: number;
  readonly loop: boolean;
  /** The melody is followed, but not heard. */
  readonly mute: boolean;
}

/** How loud what is not the melody is against it, 1 as loud. */
const LOUDNESS: Readonly<Record<ScoreSound['kind'], number>> = {
  melody: 0.9,
  grace: 0.7,
  voice: 0.5,
  chord: 0.5,
  drone: 0.25,
  click: 0.8,
};
/** Share of its length that a note is held, so that two of one pitch are two. */
const HELD = 0.92;
/** The next round is set up so long before it begins, in seconds. */
const AHEAD = 0.4;

/** Plays a score, all of it on the clock of the sound. @param onNote called with the id of each note of the melody as it sounds, and with undefined at the end or when stopped */
export async function playScore(
  score: Score,
  timbre: Timbre,
  onNote: (id: string | undefined) => void,
): Promise<void> {
  await startPlaying(
    timbre,
    () => onNote(undefined),
    (ready) => schedule(score, ready, onNote),
  );
}

function schedule(score: Score, { Tone, synth }: Ready, onNote: (id: string) => void): () => void {
  const context = Tone.getContext();
  const under = chordSynth(Tone);
  const clicks = clickSynth(Tone);
  const voices = { melody: synth, grace: synth, voice: synth, drone: under, chord: under, click: clicks };
  const zero = Tone.now() + LEAD;
  const timers = new Set<number>();
  const later = (run: () => void, at: number) => {
    const timer = context.setTimeout(
      () => {
        timers.delete(timer);
        run();
      },
      Math.max(0, at - Tone.now()),
    );
    timers.add(timer);
  };
  /** @param shift seconds by which this round lies behind the first */
  const round = (sounds: readonly ScoreSound[], shift: number) => {
    for (const { kind, at, seconds, hz, noteId } of sounds) {
      const time = zero + shift + at;
      if (noteId !== undefined) later(() => onNote(noteId), time);
      if ((kind === 'melody' || kind === 'grace') && score.mute) continue;
      voices[kind].triggerAttackRelease(hz, kind === 'click' ? 0.03 : seconds * HELD, time, LOUDNESS[kind]);
    }
    const end = zero + shift + score.ends;
    if (!score.loop) return later(() => stopLine(), end + 0.05);
    const again = score.sounds.filter(({ at }) => at >= score.begins - 1e-9);
    later(() => round(again, shift + score.ends - score.begins), end - AHEAD);
  };
  round(score.sounds, 0);
  return () => {
    timers.forEach((timer) => context.clearTimeout(timer));
    for (const made of [under, clicks]) {
      made.releaseAll();
      made.dispose();
    }
  };
}

function chordSynth(Tone: typeof ToneModule): ToneModule.PolySynth {
  return new Tone.PolySynth(Tone.Synth, {
    oscillator: { type: 'triangle' },
    envelope: { attack: 0.02, decay: 0.6, sustain: 0.35, release: 0.3 },
    volume: -20,
  }).toDestination();
}

function clickSynth(Tone: typeof ToneModule): ToneModule.PolySynth {
  return new Tone.PolySynth(Tone.Synth, {
    oscillator: { type: 'sine' },
    envelope: { attack: 0.001, decay: 0.04, sustain: 0, release: 0.01 },
    volume: -8,
  }).toDestination();
}
