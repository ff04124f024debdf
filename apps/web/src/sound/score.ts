import type * as ToneModule from 'tone';
import type { Timbre } from '@same-song/core';
import { LEAD, startPlaying, stopLine, type Ready } from './player.ts';

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
export interface ScoreMark {
  readonly at: number;
  readonly mark: string;
}

export interface Score {
  /** Rising by time. */
  readonly sounds: readonly ScoreSound[];
  readonly marks?: readonly ScoreMark[];
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
export interface ScoreListener {
  /** Of each note of the melody as it sounds, and undefined at the end or when stopped. */
  onNote(id: string | undefined): void;
  onMark?(mark: string): void;
  /** After each round but the last, with how many were played. */
  onRound?(played: number): void;
  /** How loud a kind is just now, from 0; 1 as usual. Asked whenever something is about to sound. */
  volumeOf?(kind: ScoreKind): number;
}

/** Hz of a click: on the first beat of a bar, and on all others. */
export const CLICK_HZ = Object.freeze({ first: 1760, other: 1175 });

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
/** What sounds is handed to the sound so long before, in seconds: volumes can be changed until then. */
const AHEAD = 0.2;
/** So long before its time the library strikes what it was handed, in seconds: a busy page makes nothing late. */
const CALM = 0.3;
/** How often the library looks what falls due, in seconds: what is shown must not lag behind what is heard. */
const LOOKS_EVERY = 0.025;

/** Plays a score, all of it on the clock of the sound. */
export async function playScore(
  score: Score,
  timbre: Timbre,
  listener: ScoreListener | ScoreListener['onNote'],
): Promise<void> {
  const told = typeof listener === 'function' ? { onNote: listener } : listener;
  await startPlaying(
    timbre,
    () => told.onNote(undefined),
    (ready) => scheduleScore(score, ready, told),
  );
}

/** Lays a score out on the clock of a sound that is ready. @returns what ends it */
export function scheduleScore(score: Score, { Tone, synth }: Ready, listener: ScoreListener): () => void {
  const context = Tone.getContext();
  const hurryAgain = takeTime(Tone);
  const made = instrumentsOf(Tone, new Set(score.sounds.map(({ kind }) => kind)));
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
    const play = made.get(kind);
    if (play) play(hz, seconds, time, Math.min(1, volume));
    else synth.triggerAttackRelease(hz, seconds * HELD, time, Math.min(1, volume));
  };
  /** @param played rounds before this one: its times are counted from the first, so that nothing adds up */
  const round = (sounds: readonly ScoreSound[], marks: readonly ScoreMark[], played: number) => {
    const from = zero + played * length;
    for (const one of sounds) {
      const time = from + one.at;
      if (time - AHEAD <= Tone.now()) sound(one, time);
      else ahead(() => sound(one, time), time - AHEAD);
      if (one.noteId !== undefined) later(() => listener.onNote(one.noteId), time);
    }
    for (const { at, mark } of marks) later(() => listener.onMark?.(mark), from + at);
    const end = from + score.ends;
    if (!score.loop || played + 1 === score.rounds) return later(() => stopLine(), end + 0.05);
    later(() => listener.onRound?.(played + 1), end);
    ahead(() => round(again, marksAgain, played + 1), end - 2 * AHEAD);
  };
  round(score.sounds, score.marks ?? [], 0);
  return () => {
    timers.forEach((timer) => context.clearTimeout(timer));
    made.end();
    hurryAgain();
  };
}

/** While a score plays nothing answers a finger, so there is time to be exact. @returns what makes it prompt again */
function takeTime(Tone: typeof ToneModule): () => void {
  const context = Tone.getContext();
  if (!(context instanceof Tone.Context) || context.isOffline) return () => undefined;
  const { lookAhead, updateInterval } = context;
  Object.assign(context, { lookAhead: CALM, updateInterval: LOOKS_EVERY });
  return () => void Object.assign(context, { lookAhead, updateInterval });
}

type Trigger = (hz: number, seconds: number, time: number, volume: number) => void;

/** The instruments beside the melody's own, each made when a score has something for it. */
function instrumentsOf(Tone: typeof ToneModule, kinds: ReadonlySet<ScoreKind>) {
  const triggers = new Map<ScoreKind, Trigger>();
  const ends: (() => void)[] = [];
  const wants = (...of: readonly ScoreKind[]) => of.some((kind) => kinds.has(kind));
  const poly = (synth: ToneModule.PolySynth, of: readonly ScoreKind[], longest = Infinity) => {
    for (const kind of of)
      triggers.set(kind, (hz, seconds, time, volume) =>
        synth.triggerAttackRelease(
          hz,
          seconds > 0 ? Math.min(longest, seconds * HELD) : longest,
          time,
          volume,
        ),
      );
    ends.push(() => {
      synth.releaseAll();
      synth.dispose();
    });
  };
  if (wants('chord', 'drone')) poly(chordSynth(Tone), ['chord', 'drone']);
  if (wants('click')) poly(clickSynth(Tone), ['click'], 0.03);
  if (wants('bass')) poly(bassSynth(Tone), ['bass']);
  if (wants('kick')) poly(kickSynth(Tone), ['kick'], 0.09);
  if (wants('snare', 'hat')) {
    const noise = noiseOf(Tone);
    triggers.set('snare', (_, __, time, volume) => noise.strike(time, 0.14, volume));
    triggers.set('hat', (_, __, time, volume) => noise.strike(time, 0.04, volume));
    ends.push(noise.end);
  }
  return { get: (kind: ScoreKind) => triggers.get(kind), end: () => ends.forEach((end) => end()) };
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

function bassSynth(Tone: typeof ToneModule): ToneModule.PolySynth {
  return new Tone.PolySynth(Tone.Synth, {
    oscillator: { type: 'custom', partials: [1, 0.5, 0.2, 0.08] },
    envelope: { attack: 0.008, decay: 0.4, sustain: 0.4, release: 0.08 },
    volume: -13,
  }).toDestination();
}

function kickSynth(Tone: typeof ToneModule): ToneModule.PolySynth {
  return new Tone.PolySynth(Tone.Synth, {
    oscillator: { type: 'sine' },
    envelope: { attack: 0.002, decay: 0.09, sustain: 0, release: 0.02 },
    volume: -9,
  }).toDestination();
}

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
