import { secondHalf, type Feel } from '../groove/feel.ts';
import { fail, ok, shown, type Result } from '../result.ts';

/** Lengths in counted beats, taken again and again by the notes of a line. */
export type Rhythm = readonly number[];

/** Rhythms for a line of equal notes. Source: swung eighths are about 2:1, dotted ones 3:1 as written. */
export const RHYTHMS = Object.freeze([
  { id: 'even', label: 'a note a beat', lengths: [1] },
  { id: 'eighths', label: 'two to a beat', lengths: [1 / 2] },
  { id: 'triplets', label: 'triplets', lengths: [1 / 3] },
  { id: 'swung', label: 'swung', lengths: [2 / 3, 1 / 3] },
  { id: 'dotted', label: 'dotted', lengths: [3 / 4, 1 / 4] },
] as const);

const TYPED_LIMIT = 16;
const LONGEST = 16;

/** A rhythm by its id, or typed as lengths in beats: `1 1/2 1/2`. The problem's position is where the wrong length begins. */
export function readRhythm(text: string): Result<Rhythm> {
  const known = RHYTHMS.find(({ id }) => id === text.trim());
  if (known) return ok(known.lengths);
  const words = [...text.matchAll(/[^\s,]+/gu)];
  const wrong = (position: number, found: string, message: string) =>
    fail({ field: '', position, wrong: shown(found), message });
  if (words.length === 0) return wrong(0, text, 'Write at least one length in beats, for example 1 1/2 1/2.');
  if (words.length > TYPED_LIMIT) return wrong(0, text, `At most ${TYPED_LIMIT} lengths fit.`);
  const lengths: number[] = [];
  for (const { 0: word, index } of words) {
    const [, over, under = '1'] = /^(\d{1,2})(?:\/(\d{1,2}))?$/u.exec(word) ?? [];
    const length = Number(over) / Number(under);
    if (over === undefined || !(length > 0 && length <= LONGEST))
      return wrong(index, word, `A length is a number of beats up to ${LONGEST}, such as 1, 1/2 or 3/2.`);
    lengths.push(length);
  }
  return ok(lengths);
}

/** How a rhythm is felt; undefined where what accompanies it may feel as it does. @param text its id or what is typed */
export function feelOfRhythm(text: string): Feel | undefined {
  const id = text.trim();
  return id === 'swung' || id === 'dotted' ? id : undefined;
}

/** A rhythm at a tempo: swung eighths are less uneven the faster they are. @param perMinute counted beats */
export function rhythmAt(text: string, perMinute: number): Result<Rhythm> {
  const feel = feelOfRhythm(text);
  if (feel === undefined) return readRhythm(text);
  const second = secondHalf(feel, perMinute);
  return ok([second, 1 - second]);
}

/** How the notes of a line are begun and held. */
export const ARTICULATIONS = Object.freeze([
  { id: 'legato', label: 'bound together', times: 1, held: 1 },
  { id: 'plain', label: 'plainly', times: 1, held: 0.9 },
  { id: 'short', label: 'tongued short', times: 1, held: 0.4 },
  { id: 'doubled', label: 'each note twice', times: 2, held: 0.8 },
  { id: 'tripled', label: 'each note three times', times: 3, held: 0.8 },
] as const);
export type ArticulationId = (typeof ARTICULATIONS)[number]['id'];

/** A note as it is to be played. */
export interface TimedNote {
  /** Id of the note of the line. */
  readonly noteId: string;
  /** Counted beats from the beginning. */
  readonly start: number;
  /** Until the next begins. */
  readonly beats: number;
  /** How long it sounds. */
  readonly held: number;
}

/**
 * The notes of a line in a rhythm and an articulation. A note that is played several times takes as many places of the
 * rhythm. @param noteIds in their order
 */
export function inRhythm(
  noteIds: readonly string[],
  rhythm: Rhythm,
  articulation: ArticulationId,
): readonly TimedNote[] {
  const { times, held } = ARTICULATIONS.find(({ id }) => id === articulation)!;
  let start = 0;
  let place = 0;
  return noteIds.flatMap((noteId) =>
    Array.from({ length: times }, (): TimedNote => {
      const beats = rhythm[place % rhythm.length]!;
      const note = { noteId, start, beats, held: beats * held };
      start += beats;
      place += 1;
      return note;
    }),
  );
}
