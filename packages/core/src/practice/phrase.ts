import { pitchClass, type Pitch } from '../pitch/pitch.ts';
import { seededRandom } from '../seededRandom.ts';

/** A note of a phrase; times in counted beats. */
export interface PhraseNote {
  readonly pitch: Pitch;
  readonly start: number;
  readonly beats: number;
}

/** How hard a phrase is to answer; steps are those of the notes it is made of. */
export interface Difficulty {
  readonly id: string;
  readonly label: string;
  /** Lengths in counted beats that follow each other. */
  readonly cells: readonly (readonly number[])[];
  /** Most steps from a note to the next. */
  readonly leap: number;
  /** Most steps between its lowest and its highest note, … */
  readonly span: number;
  /** … and most semitones. */
  readonly compass: number;
  /** Share of the cells that begin with a rest. */
  readonly rests: number;
}

/** Source: what pupils can repeat after one hearing. */
export const DIFFICULTIES = Object.freeze([
  {
    id: 'easy',
    label: 'easy: few notes, by step',
    cells: [[1], [2], [1, 1]],
    leap: 1,
    span: 5,
    compass: 9,
    rests: 0.25,
  },
  {
    id: 'middle',
    label: 'some leaps and halves',
    cells: [[1], [1 / 2, 1 / 2], [3 / 2, 1 / 2]],
    leap: 3,
    span: 7,
    compass: 12,
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
    span: 9,
    compass: 16,
    rests: 0.08,
  },
] as const satisfies readonly Difficulty[]);
export type DifficultyId = (typeof DIFFICULTIES)[number]['id'];

/** Bars of a call: a question and its answer. */
export const CALL_BARS = 2;
/** The end is reached by no more steps than these, or from the fifth. */
const LAST_STEPS = 2;
const LAST_SEMITONES = 5;
/** A fourth up from the fifth below home, a fifth down from the fifth above it, in semitones. */
const FROM_FIFTH: readonly number[] = [5, -7];
/** Nobody leaps further than a sixth, in semitones, from or to a note of a quarter of a beat. */
const QUICK = Object.freeze({ beats: 1 / 4, leap: 9 });
/** Semitones above home of the tones of its chord, major or minor. */
const CHORD_OF_HOME: readonly number[] = [0, 3, 4, 7];

/** A note or a rest, before it has a pitch. */
interface Place {
  readonly start: number;
  readonly beats: number;
  readonly isRest: boolean;
}

/**
 * A phrase of two bars from chosen notes: a question, and an answer in its rhythm that ends on home, on a note long enough
 * to be heard as the end. It stays within what its difficulty spans, moves by the steps that it allows, and its bars
 * begin on tones of home's chord where they can. The same seed gives the same phrase.
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
  const level: Difficulty = DIFFICULTIES.find(({ id }) => id === difficulty)!;
  const end = random.of(homes.length > 0 ? homes : [pitches[0]!]);
  const within = pitchesAround(pitches, end, level, random);
  const places = rhythmOf(level, beats, random);
  // From the end backwards, so that every step leads there.
  const notes: PhraseNote[] = [];
  let next = { pitch: end, beats: 1 };
  for (const { start, beats: long, isRest } of [...places].reverse()) {
    if (isRest) continue;
    const choice: Choice = {
      level,
      within,
      home: end,
      beats: long,
      isLast: notes.length === 1,
      isStrong: start % beats === 0,
    };
    const pitch = notes.length === 0 ? end : noteBefore(next, choice, random);
    notes.push({ pitch, start, beats: long });
    next = { pitch, beats: long };
  }
  return notes.reverse();
}

type Random = ReturnType<typeof seededRandom>;

/** Neighbouring pitches among which a phrase stays, its end among them. */
function pitchesAround(
  pitches: readonly Pitch[],
  end: Pitch,
  { span, compass }: Difficulty,
  random: Random,
): readonly Pitch[] {
  const at = pitches.indexOf(end);
  const lowest = pitches.findIndex((pitch) => end - pitch <= compass);
  let low = at - random.below(Math.min(span, at - lowest) + 1);
  let high = low;
  while (high + 1 < pitches.length && high + 1 - low <= span && pitches[high + 1]! - pitches[low]! <= compass)
    high += 1;
  // At the top of the instrument there is room below only.
  while (low > 0 && high - low < span && pitches[high]! - pitches[low - 1]! <= compass) low -= 1;
  return pitches.slice(low, high + 1);
}

/** A bar of rhythm, and the same again up to a last beat that is held. */
function rhythmOf({ cells, rests }: Difficulty, beats: number, random: Random): readonly Place[] {
  const question: Place[] = [];
  let start = 0;
  while (start < beats) {
    const left = beats - start;
    const fitting = cells.filter((cell) => cell.reduce((sum, one) => sum + one, 0) <= left);
    const cell = fitting.length > 0 ? random.of(fitting) : [left];
    for (const [i, long] of cell.entries()) {
      question.push({ start, beats: long, isRest: start > 0 && i === 0 && random.next() < rests });
      start += long;
    }
  }
  const last = CALL_BARS * beats - 1;
  const answer = question
    .map((place) => ({ ...place, start: place.start + beats }))
    .filter((place) => place.start < last)
    .map((place) => ({ ...place, beats: Math.min(place.beats, last - place.start) }));
  return [...question, ...answer, { start: last, beats: 1, isRest: false }];
}

/** What a note is chosen by. */
interface Choice {
  readonly level: Difficulty;
  readonly within: readonly Pitch[];
  readonly home: Pitch;
  readonly beats: number;
  /** It is followed by the end. */
  readonly isLast: boolean;
  /** A bar begins with it. */
  readonly isStrong: boolean;
}

function noteBefore(
  next: { readonly pitch: Pitch; readonly beats: number },
  { level, within, home, beats, isLast, isStrong }: Choice,
  random: Random,
): Pitch {
  const to = within.indexOf(next.pitch);
  const isQuick = Math.min(beats, next.beats) <= QUICK.beats;
  const near = within.filter((pitch, at) => {
    const steps = Math.abs(to - at);
    if (steps > level.leap || (isQuick && Math.abs(next.pitch - pitch) > QUICK.leap)) return false;
    const isNear = steps <= LAST_STEPS && Math.abs(next.pitch - pitch) <= LAST_SEMITONES;
    return !isLast || isNear || FROM_FIFTH.includes(next.pitch - pitch);
  });
  const strong = near.filter((pitch) => CHORD_OF_HOME.includes(pitchClass(pitch - home)));
  // A note comes again more seldom than another follows.
  const moving = near.filter((pitch) => pitch !== next.pitch);
  if (isStrong && strong.length > 0) return random.of(strong);
  return random.of(moving.length > 0 && random.next() > 0.2 ? moving : near);
}
