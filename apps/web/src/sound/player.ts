import type * as ToneModule from 'tone';
import type { Timbre } from '@same-song/core';
import { fetchedAhead } from '../frame/later.tsx';
import type { VoiceOptions, Wave } from './voices.ts';

/** A note to sound: Hz, and times in beats. */
export interface Sound {
  readonly hz: number;
  readonly start: number;
  readonly beats: number;
  readonly id: string;
}

/** What sounds along with a line, and how it all sounds. */
export interface Voice {
  readonly timbre: Timbre;
  /** Hz of strings that drone along; empty for none. */
  readonly drones: readonly number[];
}

/** Said where the sound library could not be fetched, as against a device that makes no sound. */
export class SoundNotFetched extends Error {
  override name = 'SoundNotFetched';
}

let library: typeof ToneModule | undefined;
let current: { readonly timbre: Timbre; readonly synth: ToneModule.PolySynth } | undefined;
/** Ends what sounds or is about to. */
let stopCurrent: (() => void) | undefined;
/** Counts what was begun and silenced: what is still loading sounds only if nothing came after it. */
let turn = 0;

/** The sound library is fetched ahead, or when something is first heard; where that failed, it is tried again. */
const fetchLibrary = fetchedAhead(async () => (library ??= await import('tone')));

export interface Ready {
  readonly Tone: typeof ToneModule;
  readonly synth: ToneModule.PolySynth;
}

/** @throws SoundNotFetched; or as the browser does where there is no sound */
async function ready(timbre: Timbre): Promise<Ready> {
  const Tone = await fetchLibrary().catch((cause: unknown) => {
    throw new SoundNotFetched('The sound library could not be fetched.', { cause });
  });
  await Tone.start();
  if (current?.timbre !== timbre) {
    current?.synth.dispose();
    current = { timbre, synth: synthOf(Tone, timbre) };
  }
  return { Tone, synth: current.synth };
}

function synthOf(Tone: typeof ToneModule, timbre: Timbre): ToneModule.PolySynth {
  const synth = new Tone.PolySynth(Tone.Synth, voiceOf(timbre));
  const tremble = trembleOf(Tone, timbre);
  return tremble ? synth.connect(tremble) : synth.toDestination();
}

/** One voice of an instrument's sound. */
export function voiceOf(timbre: Timbre): VoiceOptions<Wave> {
  return {
    oscillator: { type: 'custom', partials: [...timbre.partials] },
    envelope: {
      attack: timbre.attackMs / 1000,
      decay: timbre.decayMs / 1000,
      sustain: timbre.sustain,
      release: timbre.releaseMs / 1000,
    },
    volume: timbre.sustain > 0 ? -14 : -9,
  };
}

/** What makes a sound tremble as two reeds do; undefined for one that does not. */
export function trembleOf(Tone: typeof ToneModule, timbre: Timbre): ToneModule.Vibrato | undefined {
  if (timbre.trembleCents === 0) return undefined;
  // Depth is a share of a semitone each way for the library.
  return new Tone.Vibrato(5, Math.min(1, timbre.trembleCents / 100)).toDestination();
}

/** Sounds one note. */
export async function playNote(hz: number, timbre: Timbre): Promise<void> {
  const mine = turn;
  const { synth } = await ready(timbre);
  if (mine === turn) synth.triggerAttackRelease(hz, 0.7);
}

/** Time between asking and the first note, in seconds. */
export const LEAD = 0.1;

/**
 * Silences what sounds, makes the sound ready, and begins something new unless it was silenced meanwhile.
 * @param begin schedules what is to sound and gives what ends it @param onEnd called when it has ended or was stopped
 */
export async function startPlaying(
  timbre: Timbre,
  onEnd: () => void,
  begin: (ready: Ready) => () => void,
): Promise<void> {
  stopLine();
  const mine = turn;
  stopCurrent = onEnd;
  const made = await ready(timbre);
  if (mine !== turn) return;
  const end = begin(made);
  stopCurrent = () => {
    end();
    made.synth.releaseAll();
    made.synth.dispose();
    current = undefined;
    onEnd();
  };
}

/**
 * Plays notes in time, all of it on the clock of the sound.
 * @param tempo beats a minute
 * @param onNote called with the id of each note as it sounds, and with undefined at the end or when stopped
 */
export async function playLine(
  sounds: readonly Sound[],
  tempo: number,
  { timbre, drones }: Voice,
  onNote: (id: string | undefined) => void,
): Promise<void> {
  const begin = ({ Tone, synth }: Ready) => {
    const beat = 60 / tempo;
    const context = Tone.getContext();
    const from = Tone.now() + LEAD;
    const last = sounds[sounds.length - 1];
    const length = last ? (last.start + last.beats) * beat : 0;
    // What is plucked or struck dies away, so a drone is struck again on every second beat.
    const every = timbre.sustain > 0 ? Math.max(length, beat) : 2 * beat;
    for (const hz of drones)
      for (let at = 0; at < length; at += every)
        synth.triggerAttackRelease(hz, Math.min(every, length - at), from + at, 0.3);
    const timers = sounds.map(({ hz, id, start, beats }) => {
      synth.triggerAttackRelease(hz, beats * beat * 0.92, from + start * beat, 0.9);
      return context.setTimeout(() => onNote(id), LEAD + start * beat);
    });
    timers.push(context.setTimeout(() => stopLine(), LEAD + length + 0.05));
    return () => timers.forEach((timer) => context.clearTimeout(timer));
  };
  await startPlaying(timbre, () => onNote(undefined), begin);
}

/** Silences what is playing, notes yet to come and what is still being fetched included. */
export function stopLine(): void {
  turn += 1;
  const stop = stopCurrent;
  stopCurrent = undefined;
  stop?.();
}
