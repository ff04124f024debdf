import { QUARTER, type Ticks } from '@same-song/core/music';
import type { MidiNote } from './tracks.ts';

/** A note on the grid of its beats, in ticks from the beginning. */
export interface WrittenNote {
  readonly pitch: number;
  readonly onset: Ticks;
  readonly length: Ticks;
}

/** A beat that is divided otherwise than its metre does. */
export interface WrittenTuplet {
  readonly onset: Ticks;
  readonly length: Ticks;
  readonly actual: number;
  readonly normal: number;
}

export interface Notation {
  readonly notes: readonly WrittenNote[];
  readonly tuplets: readonly WrittenTuplet[];
  /** Off-beat notes stood late and are written as if they were even. */
  readonly swung: boolean;
}

/** A way to divide a beat. `cost` is what it must gain in exactness, in beats, to be chosen over nothing. */
interface Division {
  readonly parts: number;
  readonly cost: number;
  readonly tuplet?: { readonly actual: number; readonly normal: number };
}

const SIMPLE: readonly Division[] = [
  { parts: 1, cost: 0 },
  { parts: 2, cost: 0.01 },
  { parts: 4, cost: 0.03 },
  { parts: 3, cost: 0.035, tuplet: { actual: 3, normal: 2 } },
  { parts: 8, cost: 0.12 },
  { parts: 6, cost: 0.13, tuplet: { actual: 6, normal: 4 } },
  { parts: 5, cost: 0.2, tuplet: { actual: 5, normal: 4 } },
];

const COMPOUND: readonly Division[] = [
  { parts: 1, cost: 0 },
  { parts: 3, cost: 0.01 },
  { parts: 6, cost: 0.04 },
  { parts: 2, cost: 0.05, tuplet: { actual: 2, normal: 3 } },
  { parts: 12, cost: 0.13 },
  { parts: 4, cost: 0.16, tuplet: { actual: 4, normal: 3 } },
];

/** Where swung off-beats stand within their beat: later than the middle, up to the end of a dotted pair. */
const SWUNG = Object.freeze({ from: 0.58, to: 0.72 });
const SWUNG_AT_LEAST = 4;

/**
 * The simplest notation of what was played: each beat takes the division that fits its onsets best for its price.
 * @param beat what the metre counts: a dotted quarter in compound ones
 */
export function quantise(notes: readonly MidiNote[], beat: Ticks, compound: boolean): Notation {
  const beats = beat / QUARTER;
  const swung = !compound && isSwung(notes, beats);
  const even = (time: number) => (swung ? straightened(time) : time);
  const divisions = compound ? COMPOUND : SIMPLE;
  const inBeat = new Map<number, number[]>();
  for (const { onset } of notes) {
    const at = even(onset / beats);
    const index = Math.floor(at + 1e-6);
    inBeat.set(index, [...(inBeat.get(index) ?? []), at - index]);
  }
  const divided = new Map([...inBeat].map(([index, onsets]) => [index, bestDivision(divisions, onsets)]));
  const snap = (time: number, coarsest = 1) => {
    const at = even(time / beats);
    const index = Math.floor(at + 1e-6);
    const parts = Math.max(coarsest, (divided.get(index) ?? divisions[1]!).parts);
    return Math.round((index + Math.round((at - index) * parts) / parts) * beat);
  };
  const onsets = [...new Set(notes.map(({ onset }) => snap(onset)))].sort((a, b) => a - b);
  const nextOf = new Map(onsets.map((onset, i) => [onset, onsets[i + 1] ?? Infinity]));
  const written = notes.map(({ pitch, onset, length }): WrittenNote => {
    const from = snap(onset);
    const next = nextOf.get(from)!;
    const { parts } = divided.get(Math.floor(from / beat)) ?? divisions[1]!;
    const least = Math.round(beat / Math.max(parts, divisions[1]!.parts));
    const to = Math.max(from + Math.min(least, next - from), snap(onset + length, divisions[1]!.parts));
    // A short silence before the next note is how it was played, not a rest.
    const silence = next - Math.round((onset + length) * QUARTER);
    const legato = next > to && silence < beat / 2 && silence <= (next - from) / 2;
    return { pitch, onset: from, length: (legato ? next : to) - from };
  });
  const tuplets = [...divided].flatMap(([index, { tuplet }]) =>
    tuplet ? [{ onset: index * beat, length: beat, ...tuplet }] : [],
  );
  return { notes: written, tuplets: tuplets.sort((a, b) => a.onset - b.onset), swung };
}

function bestDivision(divisions: readonly Division[], onsets: readonly number[]): Division {
  const price = ({ parts, cost }: Division) =>
    cost + onsets.reduce((sum, at) => sum + Math.abs(at - Math.round(at * parts) / parts), 0);
  return divisions.reduce((best, next) => (price(next) < price(best) - 1e-9 ? next : best));
}

/** Whether off-beats stand late throughout, with nothing at the first third of a beat and hardly any in its middle. */
function isSwung(notes: readonly MidiNote[], beats: number): boolean {
  const within = notes.map(({ onset }) => (onset / beats) % 1);
  const late = within.filter((at) => at >= SWUNG.from && at <= SWUNG.to).length;
  const others = within.filter((at) => at > 0.12 && at < 0.88).length - late;
  return late >= SWUNG_AT_LEAST && others <= late / 8;
}

/** The time at which it would stand if the beat were divided evenly. */
function straightened(time: number): number {
  const index = Math.floor(time + 1e-6);
  const at = time - index;
  const turn = 2 / 3;
  return index + (at <= turn ? (at / turn) * 0.5 : 0.5 + ((at - turn) / (1 - turn)) * 0.5);
}
