import type { NoteName } from '../pitch/noteName.ts';
import { fail, ok, shown, type Problem, type Result } from '../result.ts';
import { parseChord, type Chord } from './chord.ts';

/** Chords bar by bar. */
export interface Progression {
  readonly name: string;
  /** Beats in a bar. */
  readonly beats: number;
  readonly bars: readonly (readonly Chord[])[];
}

export const BEATS = Object.freeze({ least: 2, most: 12 });
export const BARS_LIMIT = 128;

/**
 * Reads chords as degrees: bars apart by spaces or bar lines, several chords of a bar joined by commas: `1 1 4,5 1`,
 * `I vi | ii V7`, `b7`. Capital numerals are major, small ones minor; `%` repeats the bar before.
 * Where the tonic is given, chords may also be written by name.
 * The problem's position is the character where the wrong chord begins.
 */
export function parseProgression(
  name: string,
  text: string,
  beats: number,
  tonic?: NoteName,
): Result<Progression> {
  const problems: Problem[] = [];
  const wrong = (position: number, found: string, message: string) =>
    problems.push({ field: 'text', position, wrong: shown(found), message });
  const bars: Chord[][] = [];
  for (const match of text.matchAll(/[^\s|]+/gu)) {
    const before = bars[bars.length - 1];
    if (match[0] === '%') {
      if (before) bars.push(before);
      else wrong(match.index, '%', 'There is no bar before the first to repeat.');
      continue;
    }
    let at = match.index;
    const bar = match[0].split(',').flatMap((token): Chord[] => {
      const chord = parseChord(token, tonic);
      if (!chord.ok) wrong(at, token, chord.problems[0]!.message);
      at += token.length + 1;
      return chord.ok ? [chord.value] : [];
    });
    bars.push(bar);
  }
  if (bars.length === 0) wrong(0, text, 'Write at least one chord, for example 1 4 5 1.');
  if (bars.length > BARS_LIMIT) wrong(0, String(bars.length), `At most ${BARS_LIMIT} bars fit.`);
  if (!Number.isInteger(beats) || beats < BEATS.least || beats > BEATS.most)
    problems.push({
      field: 'beats',
      wrong: shown(beats),
      message: `A bar has ${BEATS.least} to ${BEATS.most} beats.`,
    });
  return problems.length > 0 ? fail(...problems) : ok({ name, beats, bars });
}

/** Source: the usual forms of the blues; the eight- and sixteen-bar ones and the minor form are our own. */
export const FORMS = Object.freeze([
  { id: 'blues-12', name: '12-bar blues', beats: 4, text: '1 1 1 1 4 4 1 1 5 4 1 5' },
  { id: 'blues-12-quick', name: '12-bar blues, quick change', beats: 4, text: '1 4 1 1 4 4 1 1 5 4 1 5' },
  {
    id: 'blues-12-sevenths',
    name: '12-bar blues in sevenths',
    beats: 4,
    text: '17 17 17 17 47 47 17 17 57 47 17 57',
  },
  { id: 'blues-12-long', name: '12-bar blues, five held', beats: 4, text: '1 1 1 1 4 4 1 1 5 5 1 1' },
  { id: 'blues-minor', name: '12 bars in minor', beats: 4, text: '1m 1m 1m 1m 4m 4m 1m 1m b6 57 1m 1m' },
  { id: 'quay-8', name: 'eight bars of the quay', beats: 4, text: '1 4 1 6m 2m 5 1,4 1' },
  {
    id: 'lantern-16',
    name: 'sixteen bars of the lantern',
    beats: 3,
    text: '1 1 4 1 1 6m 2m 5 1 1 4 4 2m 5 1 1',
  },
] as const);
