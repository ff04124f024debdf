import type * as ToneModule from 'tone';
import type { Timbre } from '@same-song/core';

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

let loading: Promise<typeof ToneModule> | undefined;
let current: { readonly timbre: Timbre; readonly synth: ToneModule.PolySynth } | undefined;
let stopCurrent: (() => void) | undefined;

/** The sound library is only fetched when something is first heard. */
async function ready(timbre: Timbre): Promise<{ Tone: typeof ToneModule; synth: ToneModule.PolySynth }> {
  loading ??= import('tone');
  const Tone = await loading;
  await Tone.start();
  if (current?.timbre !== timbre) {
    current?.synth.dispose();
    current = { timbre, synth: synthOf(Tone, timbre) };
  }
  return { Tone, synth: current.synth };
}

function synthOf(Tone: typeof ToneModule, timbre: Timbre): ToneModule.PolySynth {
  const synth = new Tone.PolySynth(Tone.Synth, {
    oscillator: { type: 'custom', partials: [...timbre.partials] },
    envelope: {
      attack: timbre.attackMs / 1000,
      decay: timbre.decayMs / 1000,
      sustain: timbre.sustain,
      release: timbre.releaseMs / 1000,
    },
    volume: timbre.sustain > 0 ? -14 : -9,
  });
  if (timbre.trembleCents === 0) return synth.toDestination();
  // Depth is a share of a semitone each way for the library.
  const tremble = new Tone.Vibrato(5, Math.min(1, timbre.trembleCents / 100)).toDestination();
  return synth.connect(tremble);
}

export async function playNote(hz: number, timbre: Timbre): Promise<void> {
  const { synth } = await ready(timbre);
  synth.triggerAttackRelease(hz, 0.7);
}

/**
 * Plays notes in time.
 * @param tempo beats a minute
 * @param onNote called with the id of each note as it sounds, and with undefined at the end or when stopped
 */
export async function playLine(
  sounds: readonly Sound[],
  tempo: number,
  { timbre, drones }: Voice,
  onNote: (id: string | undefined) => void,
): Promise<void> {
  stopLine();
  const { Tone, synth } = await ready(timbre);
  const beat = 60 / tempo;
  const begin = Tone.now() + 0.1;
  const last = sounds[sounds.length - 1];
  const length = last ? (last.start + last.beats) * beat : 0;
  // What is plucked or struck dies away, so a drone is struck again on every second beat.
  const every = timbre.sustain > 0 ? Math.max(length, beat) : 2 * beat;
  for (const hz of drones)
    for (let at = 0; at < length; at += every)
      synth.triggerAttackRelease(hz, Math.min(every, length - at), begin + at, 0.3);
  const timers = sounds.map((sound) => {
    synth.triggerAttackRelease(sound.hz, sound.beats * beat * 0.92, begin + sound.start * beat, 0.9);
    return window.setTimeout(() => onNote(sound.id), 100 + sound.start * beat * 1000);
  });
  timers.push(window.setTimeout(() => stopLine(), 150 + length * 1000));
  stopCurrent = () => {
    timers.forEach((timer) => window.clearTimeout(timer));
    synth.releaseAll();
    synth.dispose();
    current = undefined;
    stopCurrent = undefined;
    onNote(undefined);
  };
}

/** Silences what is playing, notes yet to come included. */
export function stopLine(): void {
  stopCurrent?.();
}
