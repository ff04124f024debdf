import type { Pitch } from '../pitch/pitch.ts';
import { seededRandom } from './seededRandom.ts';

/** A note of a phrase; times in counted beats. */
export interface PhraseNote {
  readonly pitch: Pitch;
  readonly start: number;
  readonly beats: number;
}

/** How hard a phrase is to answer. */
export const DIFFICULTIES = Object.freeze([
  { id: 'easy', label: 'easy: few notes, by step', cells: [[1], [2], [1, 1]], leap: 1, rests: 0.25 },
  {
    id: 'middle',
    label: 'some leaps and halves',
    cells: [[1], [1 / 2, 1 / 2], [3 / 2, 1 / 2]],
    leap: 3,
    rests: 0.12,
  },
  {
    id: 'hard',
    label: 'leaps, syncopes and runs',
    cells: [
      [1 / 2, 1 / 2],
      [1 / 2, 1, 1 / 2],
      [1 / 4, 1 / 4, 1 / 2],
      [3 / 2, 1 / 2],
    ],
    leap: 6,
    rests: 0.08,
  },
] as const);
export type DifficultyId = (typeof DIFFICULTIES)[number]['id'];

/** Bars of a call. */
export const CALL_BARS = 2;

/**
 * A phrase of two bars from chosen notes: it begins within reach of home, moves by the steps its difficulty allows, and
 * ends on home, on a note long enough to be heard as the end. The same seed gives the same phrase.
 * @param pitches rising, at least one @param homes those of them that are home @param beats counted beats in a bar
 * @throws without pitches
 */
export function callPhrase(
  pitches: readonly Pitch[],
  homes: readonly Pitch[],
  {
    difficulty,
    beats,
    seed,
  }: { readonly difficulty: DifficultyId; readonly beats: number; readonly seed: number },
): readonly PhraseNote[] {
  if (pitches.length === 0) throw new Error('callPhrase: no notes to make a phrase of');
  const random = seededRandom(seed);
  const { cells, leap, rests } = DIFFICULTIES.find(({ id }) => id === difficulty)!;
  const length = CALL_BARS * beats;
  const ends = homes.length > 0 ? homes : [pitches[0]!];
  const end = random.of(ends);
  let at = Math.min(
    pitches.length - 1,
    Math.max(0, pitches.indexOf(end) + random.below(2 * leap + 1) - leap),
  );
  const notes: PhraseNote[] = [];
  let start = 0;
  while (start < length - 1) {
    const fitting = cells.filter(
      (cell) => start + cell.reduce<number>((sum, one) => sum + one, 0) <= length - 1,
    );
    const cell: readonly number[] = fitting.length > 0 ? random.of(fitting) : [length - 1 - start];
    for (const [i, long] of cell.entries()) {
      const isRest = start > 0 && i === 0 && random.next() < rests;
      if (!isRest) notes.push({ pitch: pitches[at]!, start, beats: long });
      start += long;
      const by = random.below(2 * leap + 1) - leap;
      at = Math.min(pitches.length - 1, Math.max(0, at + (by === 0 && leap > 1 ? 1 : by)));
    }
  }
  notes.push({ pitch: end, start: length - 1, beats: 1 });
  return notes;
}
