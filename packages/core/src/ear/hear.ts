import { decoder, type Decided } from './decoder.ts';
import { fourier, type Fourier } from './fft.ts';
import { frameReader, frameSize } from './frame.ts';
import { highpass } from './highpass.ts';
import { ALL_PITCHES, hertz, LISTENING } from './listening.ts';
import { notesOf, type HeardFrame, type HeardNote, type NoteFrame } from './notes.ts';
import { decimator } from './decimator.ts';

/** Options of the listener. */
export interface HearOptions {
  /** Pitches that can sound, in semitones with cents as a fraction; C2 to D8 when left out. */
  readonly candidates?: readonly number[];
  /** It is struck or plucked and rings on, where others are blown or drawn. */
  readonly struck?: boolean;
}

/** What a recording holds. */
export interface Hearing {
  readonly frames: readonly HeardFrame[];
  readonly notes: readonly HeardNote[];
}

/** What is told while it is listened. */
export interface HearUpdate {
  /** Frames that are decided now, in their order. */
  readonly frames: readonly NoteFrame[];
  /** What the newest frame seems to be, shown at once and decided a little later. */
  readonly now: HeardFrame | undefined;
}

/** Softer is silence, as a mean square: −80 dB of what is loudest. */
const SILENCE = 1e-8;
/** What lies so far under the lowest candidate is no part of a note. */
const BELOW = 0.6;

/** Listens to samples as they come, however they are cut. Pure but for what it keeps of the past. */
export function ear(
  sampleRate: number,
  { candidates = ALL_PITCHES, struck = false }: HearOptions = {},
  transformOf: (size: number) => Fourier = fourier,
) {
  const rising = [...candidates].sort((a, b) => a - b);
  const thin = decimator(sampleRate);
  const size = frameSize(thin.rate);
  const reader = frameReader(thin.rate, rising, transformOf(2 * size), struck);
  const clean = highpass(thin.rate, BELOW * hertz(rising[0] ?? 36));
  const course = decoder(rising, struck);
  const hop = LISTENING.hop * thin.rate;
  let rest: Float32Array = new Float32Array(0);
  /** Frames that were read, and samples that went before `rest`. */
  let read = 0;
  let gone = 0;
  const waiting: { readonly time: number; readonly power: number; readonly edge: number }[] = [];
  const told = ({ candidate, midi, clarity }: Decided): NoteFrame => {
    const { time, power, edge } = waiting.shift()!;
    return { time, power, edge, candidate, clarity, midi: candidate < 0 ? null : midi };
  };
  return {
    push(samples: Float32Array): HearUpdate {
      const more = clean(thin.push(samples));
      const all = new Float32Array(rest.length + more.length);
      all.set(rest);
      all.set(more, rest.length);
      const frames: NoteFrame[] = [];
      let from = Math.round(read * hop) - gone;
      while (from + size <= all.length) {
        const evidence = reader.read(all, from);
        if (evidence.power < SILENCE) evidence.scores.fill(0);
        waiting.push({
          time: (Math.round(read * hop) + size / 2) / thin.rate,
          power: powerAt(all, from + size / 2, hop),
          edge: edgeAt(all, from + size / 2, hop),
        });
        const decided = course.push(evidence);
        if (decided) frames.push(told(decided));
        read += 1;
        from = Math.round(read * hop) - gone;
      }
      const kept = Math.max(0, Math.min(all.length, from));
      rest = all.slice(kept);
      gone += kept;
      const now = course.now();
      const last = waiting.at(-1);
      return {
        frames,
        now: last && {
          time: last.time,
          clarity: now.clarity,
          midi: now.candidate < 0 ? null : now.midi,
        },
      };
    },
    /** Decides what nothing follows. */
    end(): readonly NoteFrame[] {
      return course.end().map(told);
    },
  };
}

/** Mean square of a hop to each side of a sample. */
function powerAt(samples: Float32Array, middle: number, hop: number): number {
  const from = Math.max(0, Math.round(middle - hop));
  const to = Math.min(samples.length, Math.round(middle + hop));
  let sum = 0;
  for (let i = from; i < to; i += 1) sum += samples[i]! ** 2;
  return sum / Math.max(1, to - from);
}

/** The same of what changes fast, as the noise of a stroke does: low notes that beat against each other are left out. */
function edgeAt(samples: Float32Array, middle: number, hop: number): number {
  const from = Math.max(2, Math.round(middle - hop));
  const to = Math.min(samples.length, Math.round(middle + hop));
  let sum = 0;
  for (let i = from; i < to; i += 1) sum += (samples[i]! - 2 * samples[i - 1]! + samples[i - 2]!) ** 2;
  return sum / Math.max(1, to - from);
}

/**
 * Hears a whole recording.
 * @param samples from −1 to 1, one channel @param sampleRate a second, from 8000
 * @throws on a rate that is none
 */
export function hear(samples: Float32Array, sampleRate: number, options: HearOptions = {}): Hearing {
  if (!(sampleRate >= 8000)) throw new Error(`hear: ${sampleRate} samples a second are too few`);
  const listener = ear(sampleRate, options);
  const frames: NoteFrame[] = [];
  const piece = Math.round(sampleRate);
  for (let at = 0; at < samples.length; at += piece)
    frames.push(...listener.push(samples.subarray(at, at + piece)).frames);
  frames.push(...listener.end());
  return {
    frames: frames.map(({ time, midi, clarity }) => ({ time, midi, clarity })),
    notes: notesOf(frames, options.struck ?? false),
  };
}
