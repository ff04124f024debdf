/** Listens in a thread of its own: samples come in by a port, what was heard goes out. */
import { ear, type HearOptions, type NoteFrame } from '@same-song/core/ear';

/** What the page asks: to listen from now on, for what, to what comes by a port. */
export interface ListeningRequest {
  readonly rate: number;
  readonly options: Required<HearOptions>;
  readonly port: MessagePort;
}

/** What is told after every piece. */
export interface EarUpdate {
  /** Frames that were decided. Times in seconds of sound since it began to listen. */
  readonly frames: readonly NoteFrame[];
  /** The newest pitch in semitones, not decided yet; null for none. */
  readonly now: number | null;
  /** Loudest sample of the piece, from 0 to 1. */
  readonly peak: number;
  /** Mean square of the piece. */
  readonly power: number;
  /** Seconds of sound that were heard so far. */
  readonly heard: number;
}

globalThis.onmessage = ({ data: { rate, options, port } }: MessageEvent<ListeningRequest>) => {
  const listener = ear(rate, options);
  let samplesHeard = 0;
  port.onmessage = ({ data: samples }: MessageEvent<Float32Array>) => {
    let peak = 0;
    let sum = 0;
    for (const sample of samples) {
      peak = Math.max(peak, Math.abs(sample));
      sum += sample * sample;
    }
    samplesHeard += samples.length;
    const { frames, now } = listener.push(samples);
    const told: EarUpdate = {
      frames,
      now: now?.midi ?? null,
      peak,
      power: sum / samples.length,
      heard: samplesHeard / rate,
    };
    globalThis.postMessage(told);
  };
};
