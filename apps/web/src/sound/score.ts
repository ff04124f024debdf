import type * as ToneModule from 'tone';
import { tick, TICK_HZ, type Timbre } from '@same-song/core';
import { LEAD, startPlaying, stopLine, trembleOf, voiceOf } from './player.ts';
import { voicesOf, type VoiceOptions, type Voices } from './voices.ts';

/** What a score is made of; each can be made louder or silent by itself. */
export type ScoreKind =
  'melody' | 'grace' | 'voice' | 'chord' | 'drone' | 'click' | 'bass' | 'kick' | 'snare' | 'hat';

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
  drone: 0.25,
  click: 0.8,
  bass: 0.9,
  kick: 0.9,
  snare: 0.5,
  hat: 0.3,
};
/** Share of its length that a note is held, so that two of one pitch are two. */
const HELD = 0.92;
/** What sounds is laid on the clock so long before, in seconds: a busy page makes nothing late, volumes change until then. */
const AHEAD = 0.3;

/** Plays a score, all of it on the clock of the sound. */
export async function playScore<M = never>(
  score: Score<M>,
  timbre: Timbre,
  listener: ScoreListener<M> | ScoreListener<M>['onNote'],
): Promise<void> {
  const told = typeof listener === 'function' ? { onNote: listener } : listener;
  await startPlaying(
    timbre,
    () => told.onNote(undefined),
    ({ Tone }) => scheduleScore(score, { Tone, timbre }, told),
  );
}

/** Lays a score out on the clock of a sound that is ready. @returns what ends it */
export function scheduleScore<M = never>(
  score: Score<M>,
  { Tone, timbre }: { readonly Tone: typeof ToneModule; readonly timbre: Timbre },
  listener: ScoreListener<M>,
): () => void {
  const context = Tone.getContext();
  const made = instrumentsOf(Tone, timbre, new Set(score.sounds.map(({ kind }) => kind)));
  const zero = Tone.now() + LEAD;
  const timers = new Set<number>();
  /** Runs something as the library comes to a time, which is before it is heard. */
  const ahead = (run: () => void, at: number) => {
    const timer = context.setTimeout(
      () => {
        timers.delete(timer);
        run();
      },
      Math.max(0, at - Tone.now()),
    );
    timers.add(timer);
  };
  /** Runs something when a time is heard. */
  const later = (run: () => void, at: number) => ahead(run, at + context.lookAhead);
  const length = score.ends - score.begins;
  const again = score.sounds.filter(({ at }) => at >= score.begins - 1e-9);
  const marksAgain = (score.marks ?? []).filter(({ at }) => at >= score.begins - 1e-9);
  const sound = ({ kind, seconds, hz, loud = 1 }: ScoreSound, time: number) => {
    if ((kind === 'melody' || kind === 'grace') && score.mute) return;
    const volume = LOUDNESS[kind] * loud * (listener.volumeOf?.(kind) ?? 1);
    if (volume <= 0) return;
    made.get(kind)(hz, seconds, time, Math.min(1, volume));
  };
  /** @param played rounds before this one: its times are counted from the first, so that nothing adds up */
  const round = (sounds: readonly ScoreSound[], marks: readonly ScoreMark<M>[], played: number) => {
    const from = zero + played * length;
    for (const one of sounds) {
      const time = from + one.at;
      if (time - AHEAD <= Tone.now()) sound(one, time);
      else ahead(() => sound(one, time), time - AHEAD);
      if (one.noteId !== undefined) later(() => listener.onNote(one.noteId), time);
    }
    for (const { at, mark } of marks)
      later(
        () => listener.onMark?.(mark, performance.now() + 1000 * (from + at - Tone.immediate())),
        from + at,
      );
    const end = from + score.ends;
    if (!score.loop || played + 1 === score.rounds) return later(() => stopLine(), end + 0.05);
    later(() => listener.onRound?.(played + 1), end);
    ahead(() => round(again, marksAgain, played + 1), end - 2 * AHEAD);
  };
  round(score.sounds, score.marks ?? [], 0);
  return () => {
    timers.forEach((timer) => context.clearTimeout(timer));
    made.end();
  };
}

type Trigger = (hz: number, seconds: number, time: number, volume: number) => void;

/** The instruments of a score, each made when it has something for it. */
function instrumentsOf(Tone: typeof ToneModule, timbre: Timbre, kinds: ReadonlySet<ScoreKind>) {
  const triggers = new Map<ScoreKind, Trigger>();
  const ends: (() => void)[] = [];
  const wants = (...of: readonly ScoreKind[]) => of.some((kind) => kinds.has(kind));
  /** @param longest of one note, in seconds: what is struck rings no longer */
  const add = (of: readonly ScoreKind[], voices: Voices, longest = Infinity) => {
    for (const kind of of)
      triggers.set(kind, (hz, seconds, time, volume) =>
        voices.strike(hz, seconds > 0 ? Math.min(longest, seconds * HELD) : longest, time, volume),
      );
    ends.push(voices.end);
  };
  if (wants(...OWN)) add(OWN, voicesOf(Tone, voiceOf(timbre), trembleOf(Tone, timbre)));
  if (wants('chord', 'drone')) add(['chord', 'drone'], voicesOf(Tone, CHORD));
  if (wants('click')) add(['click'], voicesOf(Tone, CLICK), 0.02);
  if (wants('bass')) add(['bass'], voicesOf(Tone, BASS));
  if (wants('kick')) add(['kick'], voicesOf(Tone, KICK), 0.09);
  if (wants('snare', 'hat')) {
    const noise = noiseOf(Tone);
    triggers.set('snare', (_, __, time, volume) => noise.strike(time, 0.14, volume));
    triggers.set('hat', (_, __, time, volume) => noise.strike(time, 0.04, volume));
    ends.push(noise.end);
  }
  return { get: (kind: ScoreKind) => triggers.get(kind)!, end: () => ends.forEach((end) => end()) };
}

/** What has the sound of the instrument itself. */
const OWN: readonly ScoreKind[] = ['melody', 'grace', 'voice'];
const CHORD: VoiceOptions = {
  oscillator: { type: 'triangle' },
  envelope: { attack: 0.02, decay: 0.6, sustain: 0.35, release: 0.3 },
  volume: -20,
};
const CLICK: VoiceOptions = {
  oscillator: { type: 'samples', samplesOf: tick },
  envelope: { attack: 0.0005, decay: 1, sustain: 1, release: 0.01 },
  volume: -7,
};
const BASS: VoiceOptions = {
  oscillator: { type: 'custom', partials: [1, 0.5, 0.2, 0.08] },
  envelope: { attack: 0.008, decay: 0.4, sustain: 0.4, release: 0.08 },
  volume: -13,
};
const KICK: VoiceOptions = {
  oscillator: { type: 'sine' },
  envelope: { attack: 0.002, decay: 0.09, sustain: 0, release: 0.02 },
  volume: -9,
};

/** Brushes: a burst of noise, shaped so that it neither begins nor ends with a crack. */
function noiseOf(Tone: typeof ToneModule) {
  const filter = new Tone.Filter(4500, 'highpass').toDestination();
  const synth = new Tone.NoiseSynth({
    noise: { type: 'white' },
    envelope: { attack: 0.002, decay: 0.08, sustain: 0, release: 0.03 },
    volume: -18,
  }).connect(filter);
  let last = -Infinity;
  return {
    /** One at a time: what would begin together is one stroke. */
    strike(time: number, seconds: number, volume: number) {
      if (time <= last) return;
      last = time;
      synth.triggerAttackRelease(seconds, time, volume);
    },
    end() {
      synth.dispose();
      filter.dispose();
    },
  };
}
