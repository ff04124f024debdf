import { fail, ok, type Result } from '../result.ts';
import { QUARTER, type Ticks } from '../time/ticks.ts';
import { melodyOf, type Song } from './song.ts';
import { melodyLine } from './songLine.ts';
import { songFromLine } from './songFromLine.ts';
import { soundingPitch } from '../pitch/spelledPitch.ts';

/** How a rhythm was tapped. */
export interface Tapping {
  /** When each note was begun, in ms since the first beat that was counted with it; rising. */
  readonly taps: readonly number[];
  /** When the last note was let go, in ms. */
  readonly end: number;
  /** Length of a counted beat in ms. */
  readonly beatMs: number;
  readonly metre: { readonly count: number; readonly unit: number };
}

/** Into how many parts a beat can be cut, and what a tap must be off, as a share of a beat, before a finer cut is believed. */
const GRIDS = Object.freeze({
  simple: [
    { parts: 1, doubt: 0 },
    { parts: 2, doubt: 0.02 },
    { parts: 4, doubt: 0.05 },
  ],
  compound: [
    { parts: 1, doubt: 0 },
    { parts: 3, doubt: 0.02 },
    { parts: 6, doubt: 0.05 },
  ],
});

/**
 * Gives a melody the rhythm that was tapped to a count, one tap a note: every tap falls on the nearest part of a beat, all
 * on one grid, the coarsest that does not bend them much; three that share a beat evenly are a triplet. The metre is the one that was counted; chords, words and
 * repeats of what had no rhythm yet are left behind.
 */
export function tapRhythm(song: Song, { taps, end, beatMs, metre }: Tapping): Result<Song> {
  const line = melodyLine(song);
  const onsets = [...new Set(line.map(({ onset }) => onset))].sort((a, b) => a - b);
  if (taps.length !== onsets.length) {
    const message = `The tune has ${onsets.length} notes, and ${taps.length} were tapped.`;
    return fail({ field: 'taps', wrong: String(taps.length), message });
  }
  const beat = countedBeat(metre);
  const times = [...taps, end].map((ms) => ms / beatMs);
  const inThrees = tripletsOf(times.slice(0, -1), metre);
  const isInThree = (time: number) => inThrees.has(beatOf(time));
  const grid = gridOf(
    times.filter((time) => !isInThree(time)),
    metre,
  );
  const placed: Ticks[] = [];
  let least = 0;
  for (const time of times) {
    const parts = isInThree(time) ? 3 : grid;
    placed.push(Math.max(least, (Math.round(time * parts) * beat) / parts));
    least = placed.at(-1)! + beat / parts;
  }
  const whole = (4 * QUARTER * metre.count) / metre.unit;
  // A tune that does not begin with the first beat of a bar begins with a pickup.
  const first = placed[0]!;
  const late = first % whole;
  const notes = line.map(({ pitch, onset }) => {
    const i = onsets.indexOf(onset);
    return { pitch, onset: placed[i]! - first, length: placed[i + 1]! - placed[i]! };
  });
  const { tonic, scale } = song.keys[0]!;
  const written = new Map(melodyOf(song).voice.notes.map(({ pitch }) => [soundingPitch(pitch), pitch]));
  const made = songFromLine(song.title, { tonic, scale }, notes, song.tags, {
    ...metre,
    pickup: late === 0 ? 0 : whole - late,
    tuplets: [...inThrees].map((index) => ({
      onset: index * beat - first,
      length: beat,
      actual: 3,
      normal: 2,
    })),
  });
  const spelled = made.parts.map((part) => ({
    ...part,
    voices: part.voices.map((voice) => ({
      ...voice,
      notes: voice.notes.map((note) => ({
        ...note,
        pitch: written.get(soundingPitch(note.pitch)) ?? note.pitch,
      })),
    })),
  }));
  const { composer, source, licence } = song;
  const perMinute = Math.min(600, Math.max(5, Math.round(60_000 / beatMs)));
  return ok({ ...made, parts: spelled, tempos: [{ at: 0, beat, perMinute }], composer, source, licence });
}

/** A dotted beat where eighths go in threes. */
function countedBeat({ count, unit }: Tapping['metre']): Ticks {
  const written = (4 * QUARTER) / unit;
  return unit >= 8 && count % 3 === 0 && count > 3 ? 3 * written : written;
}

function isCompound(metre: Tapping['metre']): boolean {
  return countedBeat(metre) !== (4 * QUARTER) / metre.unit;
}

/** A tap that comes a little early belongs to the beat that follows. */
const EARLY = 1 / 8;

/** Which beat a tap belongs to. */
function beatOf(time: number): number {
  return Math.floor(time + EARLY);
}

/** Beats of a simple metre in which exactly three taps fall, nearer to its thirds than to its quarters. */
function tripletsOf(times: readonly number[], metre: Tapping['metre']): ReadonlySet<number> {
  if (isCompound(metre)) return new Set();
  const inBeat = new Map<number, number[]>();
  for (const time of times) inBeat.set(beatOf(time), [...(inBeat.get(beatOf(time)) ?? []), time]);
  const isTriplet = (taps: readonly number[]) =>
    taps.length === 3 &&
    taps.every((time, i) => Math.round(time * 3) === beatOf(time) * 3 + i) &&
    offGrid(taps, 3) < offGrid(taps, 4);
  return new Set([...inBeat].flatMap(([index, taps]) => (isTriplet(taps) ? [index] : [])));
}

/** How far taps lie from the parts of a beat in all, in beats. */
function offGrid(times: readonly number[], parts: number): number {
  return times.reduce((sum, time) => sum + Math.abs(time - Math.round(time * parts) / parts), 0);
}

/** Into how many parts the beat is cut: as few as explain the taps. */
function gridOf(times: readonly number[], metre: Tapping['metre']): number {
  const costs = GRIDS[isCompound(metre) ? 'compound' : 'simple'].map(({ parts, doubt }) => ({
    parts,
    cost: offGrid(times, parts) / times.length + doubt,
  }));
  return costs.sort((a, b) => a.cost - b.cost)[0]!.parts;
}
