/** What the ear is worth on sounds whose truth is known: figures, each by itself. */
import { ear, hear } from '../../src/ear/hear.ts';
import type { HeardFrame, HeardNote } from '../../src/ear/notes.ts';
import {
  chance,
  inRoom,
  louder,
  note,
  pink,
  RATE,
  scale,
  white,
  withNoise,
  tone,
  type Kind,
} from './sounds.ts';

/** Frames in which a note sounds for certain, so many seconds from its edges. */
const EDGE = 0.06;

interface Truth {
  readonly midi: number;
  readonly from: number;
  readonly to: number;
}

export interface FrameScore {
  readonly frames: number;
  readonly answered: number;
  /** Answered more than half a semitone off. */
  readonly gross: number;
  /** Cents off, where it is not gross. */
  readonly cents: readonly number[];
}

export function frameScore(frames: readonly HeardFrame[], truths: readonly Truth[]): FrameScore {
  const inside = frames.flatMap((frame) => {
    const truth = truths.find(({ from, to }) => frame.time > from + EDGE && frame.time < to - EDGE);
    return truth ? [{ frame, truth }] : [];
  });
  const answered = inside.filter(({ frame }) => frame.midi !== null);
  const off = answered.map(({ frame, truth }) => 100 * Math.abs(frame.midi! - truth.midi));
  return {
    frames: inside.length,
    answered: answered.length,
    gross: off.filter((cents) => cents > 50).length,
    cents: off.filter((cents) => cents <= 50),
  };
}

export function together(scores: readonly FrameScore[]) {
  const sum = (of: (score: FrameScore) => number) => scores.reduce((total, score) => total + of(score), 0);
  const cents = scores.flatMap((score) => score.cents).sort((a, b) => a - b);
  return {
    answered: sum((s) => s.answered) / sum((s) => s.frames),
    gross:
      sum((s) => s.gross) /
      Math.max(
        1,
        sum((s) => s.answered),
      ),
    median: cents[Math.floor(cents.length / 2)] ?? NaN,
    wrongFiles: scores.filter((s) => s.gross > 0.2 * s.frames).length,
  };
}

/** Notes heard within 50 ms and half a semitone of one that was played, each once. */
export function noteScore(heard: readonly HeardNote[], played: readonly { midi: number; onset: number }[]) {
  const open = [...played];
  let hits = 0;
  for (const { onset, midi } of heard) {
    const at = open.findIndex((one) => Math.abs(one.onset - onset) < 0.05 && Math.abs(one.midi - midi) < 0.5);
    if (at < 0) continue;
    open.splice(at, 1);
    hits += 1;
  }
  return { precision: hits / Math.max(1, heard.length), recall: hits / played.length };
}

export const KINDS: readonly Kind[] = ['reed', 'whistle', 'string', 'tongue'];
const RANGE: Readonly<Record<Kind, readonly [number, number]>> = {
  reed: [43, 96],
  whistle: [62, 98],
  string: [38, 88],
  tongue: [55, 84],
};
export const isStruck = (kind: Kind) => kind === 'string' || kind === 'tongue';

/** Notes over the range of a kind, some cents off. */
export function notes(kind: Kind, count: number, seed: number) {
  const random = chance(seed);
  const [low, high] = RANGE[kind];
  return Array.from({ length: count }, (_, i) => {
    const midi = low + Math.round(((high - low) * i) / Math.max(1, count - 1)) + 0.3 * random();
    return { midi, sound: note(kind, midi, 0.8, seed + i) };
  });
}

/** A sound with quiet before and after it. */
export function padded(sound: Float32Array, seconds = 0.3): Float32Array {
  const by = Math.round(seconds * RATE);
  const out = new Float32Array(sound.length + 2 * by);
  out.set(sound, by);
  return out;
}

type Change = (sound: Float32Array, seed: number) => Float32Array;

/** How single notes of every kind are heard, after something was done to them. */
export function singles(change: Change = (sound) => sound, each = 12) {
  return together(
    KINDS.flatMap((kind, k) =>
      notes(kind, each, 11 * k + 5).map(({ midi, sound }, i) => {
        const played = change(padded(sound), 100 * k + i + 1);
        const { frames } = hear(played, RATE, { struck: isStruck(kind) });
        return frameScore(frames, [{ midi, from: 0.3, to: 1.1 }]);
      }),
    ),
  );
}

export const inPink =
  (decibels: number): Change =>
  (sound, seed) =>
    withNoise(sound, pink(sound.length, seed), decibels);

const STEPS = [0, 2, 4, 5, 7, 9, 11, 12, 11, 9, 7, 5, 4, 2, 0, 0];

/** How scales of every kind are heard as notes. */
export function scales(change: Change = (sound) => sound, low = 67) {
  const scores = KINDS.map((kind, k) => {
    const played = STEPS.map((step, i) => ({
      midi: low + step,
      onset: 0.4 + 0.3 * i,
      seconds: isStruck(kind) ? 0.6 : 0.27,
    }));
    const sound = change(scale(kind, played, 31 * k + 2), k + 1);
    const { notes: heard } = hear(sound, RATE, { struck: isStruck(kind) });
    return { kind, ...noteScore(heard, played) };
  });
  const mean = (of: 'precision' | 'recall') =>
    scores.reduce((sum, score) => sum + score[of], 0) / scores.length;
  return { precision: mean('precision'), recall: mean('recall'), scores };
}

/** Sounds without a note. */
export function noises(): readonly { readonly name: string; readonly sound: Float32Array }[] {
  const length = 2 * RATE;
  const random = chance(77);
  const clicks = new Float32Array(length);
  for (let i = 0; i < 12; i += 1) {
    const at = Math.floor(Math.abs(random()) * (length - 400));
    for (let j = 0; j < 300; j += 1) clicks[at + j] = random() * Math.exp(-j / 60);
  }
  const puffs = white(length, 5).map((x, i) => x * Math.max(0, Math.sin((2 * Math.PI * i) / RATE)) * 0.3);
  const rumble = pink(length, 9).map((x, i, all) =>
    i > 400 ? all.slice(i - 400, i).reduce((a, b) => a + b, 0) / 40 : x,
  );
  return [
    { name: 'nothing at all', sound: new Float32Array(length) },
    { name: 'white noise', sound: white(length, 1) },
    { name: 'soft white noise', sound: louder(white(length, 2), -50) },
    { name: 'pink noise', sound: pink(length, 3) },
    { name: 'clicks', sound: clicks },
    { name: 'breath', sound: puffs },
    { name: 'rumble', sound: rumble },
    {
      name: 'hum of 50 Hz',
      sound: tone({
        seconds: 2,
        pitch: () => 31.35,
        shape: () => 0.2,
        partials: [
          [1, 1],
          [3, 0.1],
        ],
      }),
    },
    { name: 'a constant', sound: new Float32Array(length).fill(0.4) },
    { name: 'hiss', sound: white(length, 6).map((x, i, all) => (i > 0 ? x - all[i - 1]! : x)) },
    { name: 'wind', sound: brown(length, 4) },
    { name: 'hands clapping in a room', sound: inRoom(strokes(10, 500), 0.4, 5) },
    {
      name: 'steps on a floor',
      sound: strokes(6, 2500).map((x, i) => x * Math.sin((2 * Math.PI * 55 * i) / RATE)),
    },
    { name: 'a breath that whistles a little', sound: narrow(length, 1000, 5) },
  ];
}

/** Noise of the lowest, as wind makes it in a microphone. */
function brown(length: number, seed: number): Float32Array {
  const random = chance(seed);
  let level = 0;
  return Float32Array.from({ length }, () => (level = 0.998 * level + 0.05 * random()));
}

/** Short bursts of noise by chance. @param fades samples until each is a third as loud */
function strokes(count: number, fades: number): Float32Array {
  const random = chance(count);
  const out = new Float32Array(2 * RATE);
  for (let i = 0; i < count; i += 1) {
    const at = Math.floor(Math.abs(random()) * (out.length - 8 * fades));
    for (let j = 0; j < 8 * fades; j += 1) out[at + j]! += 0.5 * random() * Math.exp(-j / fades);
  }
  return out;
}

/** Noise around a pitch. @param sharp how narrow it is: the share of the pitch that is heard is one over it */
function narrow(length: number, pitch: number, sharp: number): Float32Array {
  const turn = (2 * Math.PI * pitch) / RATE;
  const width = Math.sin(turn) / (2 * sharp);
  const [past, out] = [white(length, 1), new Float32Array(length)];
  for (let i = 2; i < length; i += 1)
    out[i] =
      (width * (past[i]! - past[i - 2]!) + 2 * Math.cos(turn) * out[i - 1]! - (1 - width) * out[i - 2]!) /
      (1 + width);
  return out;
}

export function room(sound: Float32Array, seed: number): Float32Array {
  return inRoom(sound, 0.4, seed);
}

/** Seconds from each onset until the note is shown that sounds, in pieces as a microphone gives them; rising. */
export function latencies(change: Change = (sound) => sound, each = 8): readonly number[] {
  const piece = Math.round(0.01 * RATE);
  return KINDS.flatMap((kind, k) =>
    notes(kind, each, 17 * k + 3).map(({ midi, sound }, i) => {
      const listener = ear(RATE, { struck: isStruck(kind) });
      const played = change(padded(sound), 40 * k + i + 1);
      for (let at = 0; at < played.length; at += piece) {
        const { now } = listener.push(played.subarray(at, at + piece));
        if (Math.abs((now?.midi ?? Infinity) - midi) < 0.5) return (at + piece) / RATE - 0.3;
      }
      return Infinity;
    }),
  ).sort((a, b) => a - b);
}
