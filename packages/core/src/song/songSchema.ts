import { FEELS } from '../groove/feel.ts';
import * as v from 'valibot';
import { LETTERS } from '../pitch/noteName.ts';
import { fields, list, number, oneOf, text, whole, yesOrNo } from '../schema.ts';
import { QUARTER } from '../time/ticks.ts';

/** Characters of a tag. */
export const TAG_LIMIT = 40;

/** What one song may hold; what goes beyond it is refused with a sentence. */
export const SONG_LIMITS = Object.freeze({
  notes: 30_000,
  bars: 5_000,
  voices: 200,
  /** Ticks: 64 quarters. */
  barLength: 64 * QUARTER,
  /** Tuplets that lie within one another. */
  nested: 5,
});

const { notes, bars, voices, barLength } = SONG_LIMITS;

/** A time from the beginning of the song, each bar counted once. */
const TIME = whole(0, bars * barLength);
const LENGTH = whole(1, barLength);
const ID = text(60, 1);
const YES = v.exactOptional(yesOrNo());
const NAME = { letter: oneOf(LETTERS), accidental: whole(-3, 3) };
const PITCH = fields({ ...NAME, octave: whole(-2, 10) });

export const NOTE_MARKS = Object.freeze([
  'staccato',
  'tenuto',
  'accent',
  'fermata',
  'breath',
  'roll',
  'trill',
] as const);
export type NoteMark = (typeof NOTE_MARKS)[number];

const KEY = fields({
  at: TIME,
  tonic: fields(NAME),
  /** Id of a scale. */
  scale: text(80),
});

const METRE = fields({
  at: TIME,
  count: whole(1, 64),
  /** Part of a whole note: 1, 2, 4 … 64. */
  unit: v.pipe(
    oneOf([1, 2, 4, 8, 16, 32, 64]),
    v.transform((unit): number => unit),
  ),
});

const TEMPO = fields({
  at: TIME,
  /** What is counted: a dotted quarter in a jig. */
  beat: whole(1, 8 * QUARTER),
  /** Counted beats a minute. */
  perMinute: number(5, 600),
});

const BAR = fields({
  length: LENGTH,
  /** A section of this name begins here. */
  section: v.exactOptional(text(60)),
  /** A repeat begins here. */
  repeatStart: YES,
  /** A repeat ends with this bar; how often what it encloses is played in all, 2 as a rule. */
  repeatEnd: v.exactOptional(whole(1, 64)),
  /** The times at which this bar is played: the first, second … time through the repeat. */
  endings: v.exactOptional(list(whole(1, 64), 64, 1)),
  segno: YES,
  /** The coda begins here. */
  coda: YES,
  /** Where to go on after this bar: da capo or dal segno, once. */
  jump: v.exactOptional(oneOf(['start', 'segno'])),
  /** After a jump the song ends with this bar. */
  fine: YES,
  /** After a jump the song goes on at the coda after this bar. */
  toCoda: YES,
  doubleLine: YES,
});

const SYLLABLE = fields({
  text: text(60),
  /** The word goes on with the next syllable. */
  hyphen: YES,
});

const NOTE = fields({
  /** Its own in the song, and kept when other notes change. */
  id: ID,
  onset: TIME,
  /** As it sounds: a third of a quarter in a triplet of eighths. */
  length: LENGTH,
  pitch: PITCH,
  /** Tied to the next note of its pitch, where that follows at once. */
  tied: YES,
  /** Grace notes before it, in their order. */
  grace: v.exactOptional(list(PITCH, 20)),
  /** Touched while it sounds, in their order: how long after it began, and for how long; as briefly as can be without. */
  touches: v.exactOptional(
    list(fields({ pitch: PITCH, after: LENGTH, lasts: v.exactOptional(LENGTH) }), 200),
  ),
  marks: v.exactOptional(list(oneOf(NOTE_MARKS), 7)),
  /** Of each verse what is sung here; null where a verse has nothing. */
  lyrics: v.exactOptional(list(v.nullable(SYLLABLE), 20)),
});

const TUPLET = fields({ onset: TIME, length: LENGTH, actual: whole(2, 64), normal: whole(1, 64) });

const VOICE = fields({
  id: ID,
  /** Rising by onset, those of a chord by pitch. */
  notes: list(NOTE, notes),
  tuplets: list(TUPLET, notes),
});

const PART = fields({
  id: ID,
  name: text(200),
  /** Its notes stand for strokes and have no pitch that could be played elsewhere. */
  percussion: YES,
  voices: list(VOICE, voices),
});

const CHORD = fields({
  at: TIME,
  /** As it is written: `Am7`, `G/B`. */
  symbol: text(60, 1),
});

/** A song as it is kept and published. */
export const SONG = fields({
  title: text(200, 1),
  composer: text(200),
  /** Where it was taken from. */
  source: text(300),
  licence: text(200),
  tags: list(text(TAG_LIMIT, 1), 30),
  /** Rising by `at`; the first stands at 0. */
  keys: list(KEY, 2_000, 1),
  /** Rising by `at`; none where the song is in free time. */
  metres: list(METRE, 2_000),
  /** Rising by `at`; none where nothing is said. */
  tempos: list(TEMPO, 2_000),
  /** One after the other, from 0; at least one. */
  bars: list(BAR, bars, 1),
  /** Names of sections in the order in which they are played, where that is not the order in which they stand. */
  order: v.exactOptional(list(text(60), 500)),
  parts: list(PART, voices, 1),
  /** Id of the voice that is the melody. */
  melody: ID,
  /** Rising by `at`; each holds until the next. */
  chords: list(CHORD, 5_000),
  /** How its eighths are played, where that is told: its tags say it otherwise (`feelOf`). */
  feel: v.exactOptional(oneOf(FEELS)),
  /** Where phrases end, so that breath or bellows may turn there; rising. */
  phrases: list(TIME, bars),
});

/**
 * A song as it is written down: bars with their signs, voices with their notes, and what changes at a time. Times are
 * ticks from the beginning, each bar counted once; `played` tells what sounds when repeats are taken.
 */
export interface Song extends v.InferOutput<typeof SONG> {}
export interface SongKey extends v.InferOutput<typeof KEY> {}
/** A metre as it is written: 6/8 is a count of 6 and a unit of 8. */
export interface SongMetre extends v.InferOutput<typeof METRE> {}
export interface Tempo extends v.InferOutput<typeof TEMPO> {}
/** From one bar line, or sign of repeat, to the next. It is as long as its contents, whatever the metre says. */
export interface Bar extends v.InferOutput<typeof BAR> {}
export interface Part extends v.InferOutput<typeof PART> {}
/** Notes of which those of one time are a chord and all others follow each other; where there is none, it rests. */
export interface Voice extends v.InferOutput<typeof VOICE> {}
/** A written note; it lies within one bar, and is tied on where it sounds longer. */
export interface SongNote extends v.InferOutput<typeof NOTE> {}
export interface Syllable extends v.InferOutput<typeof SYLLABLE> {}
/** So many notes in the time of so many: a triplet is 3 in the time of 2. One may lie within another. */
export interface Tuplet extends v.InferOutput<typeof TUPLET> {}
export interface SongChord extends v.InferOutput<typeof CHORD> {}
