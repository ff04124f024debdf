import type * as ToneModule from 'tone';

/** A note to sound: Hz, and times in beats. */
export interface Sound {
  readonly hz: number;
  readonly start: number;
  readonly beats: number;
  readonly index: number;
}

let loading: Promise<typeof ToneModule> | undefined;
let reed: ToneModule.PolySynth | undefined;
let stopCurrent: (() => void) | undefined;

/** The sound library is only fetched when something is first heard. */
async function ready(): Promise<typeof ToneModule> {
  loading ??= import('tone');
  const Tone = await loading;
  await Tone.start();
  reed ??= new Tone.PolySynth(Tone.Synth, {
    oscillator: { type: 'custom', partials: [1, 0.55, 0.42, 0.3, 0.16, 0.1, 0.06] },
    envelope: { attack: 0.03, decay: 0.08, sustain: 0.85, release: 0.09 },
    volume: -14,
  }).toDestination();
  return Tone;
}

export async function playNote(hz: number): Promise<void> {
  await ready();
  reed!.triggerAttackRelease(hz, 0.7);
}

/**
 * Plays notes in time.
 * @param tempo beats a minute
 * @param onNote called with the index of each note as it sounds, and with undefined at the end or when stopped
 */
export async function playLine(
  sounds: readonly Sound[],
  tempo: number,
  onNote: (index: number | undefined) => void,
): Promise<void> {
  stopLine();
  const Tone = await ready();
  const beat = 60 / tempo;
  const begin = Tone.now() + 0.1;
  const timers = sounds.map((sound) => {
    reed!.triggerAttackRelease(sound.hz, sound.beats * beat * 0.92, begin + sound.start * beat);
    return window.setTimeout(() => onNote(sound.index), 100 + sound.start * beat * 1000);
  });
  const last = sounds[sounds.length - 1];
  const length = last ? (last.start + last.beats) * beat : 0;
  timers.push(window.setTimeout(() => stopLine(), 150 + length * 1000));
  stopCurrent = () => {
    timers.forEach((timer) => window.clearTimeout(timer));
    reed!.releaseAll();
    reed!.dispose();
    reed = undefined;
    stopCurrent = undefined;
    onNote(undefined);
  };
}

/** Silences what is playing, notes yet to come included. */
export function stopLine(): void {
  stopCurrent?.();
}
