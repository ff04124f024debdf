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
 * on one grid, the coarsest that does not bend them much. The metre is the one that was counted; chords, words and
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
  const grid = gridOf(times, metre);
  const placed: Ticks[] = [];
  for (const time of times) {
    const least = placed.length === 0 ? 0 : placed.at(-1)! + beat / grid;
    placed.push(Math.max(least, (Math.round(time * grid) * beat) / grid));
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

/** Into how many parts the beat is cut: as few as explain the taps. */
function gridOf(times: readonly number[], metre: Tapping['metre']): number {
  const compound = countedBeat(metre) !== (4 * QUARTER) / metre.unit;
  const costs = GRIDS[compound ? 'compound' : 'simple'].map(({ parts, doubt }) => {
    const off = times.map((time) => Math.abs(time - Math.round(time * parts) / parts));
    return { parts, cost: off.reduce((sum, one) => sum + one, 0) / times.length + doubt };
  });
  return costs.sort((a, b) => a.cost - b.cost)[0]!.parts;
}
