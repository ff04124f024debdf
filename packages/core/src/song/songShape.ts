import { LETTERS } from '../pitch/noteName.ts';
import { objectOf, type Shape } from '../records/shape.ts';
import { QUARTER } from '../time/ticks.ts';
import { NOTE_MARKS } from './song.ts';

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
const END = bars * barLength;

const text = (maxLength: number, minLength = 0): Shape => ({ type: 'string', minLength, maxLength });
const whole = (minimum: number, maximum: number): Shape => ({ type: 'integer', minimum, maximum });
const list = (items: Shape, maxItems: number, minItems = 0): Shape => ({
  type: 'array',
  items,
  maxItems,
  minItems,
});
const YES: Shape = { type: 'boolean' };
const ID = text(60, 1);
const AT = whole(0, END);
const LENGTH = whole(1, barLength);
const NAME = { letter: { enum: LETTERS }, accidental: whole(-3, 3) };
const PITCH = objectOf({ ...NAME, octave: whole(-2, 10) });

const BAR = objectOf(
  {
    length: LENGTH,
    section: text(60),
    repeatStart: YES,
    repeatEnd: whole(1, 64),
    endings: list(whole(1, 64), 64, 1),
    segno: YES,
    coda: YES,
    jump: { enum: ['start', 'segno'] },
    fine: YES,
    toCoda: YES,
    doubleLine: YES,
  },
  [
    ...['section', 'repeatStart', 'repeatEnd', 'endings', 'segno', 'coda', 'jump', 'fine', 'toCoda'],
    'doubleLine',
  ],
);

const SYLLABLE = objectOf({ text: text(60), hyphen: YES }, ['hyphen']);

const NOTE = objectOf(
  {
    id: ID,
    onset: AT,
    length: LENGTH,
    pitch: PITCH,
    tied: YES,
    grace: list(PITCH, 20),
    marks: list({ enum: NOTE_MARKS }, 5),
    lyrics: list({ anyOf: [SYLLABLE, { type: 'null' }] }, 20),
  },
  ['tied', 'grace', 'marks', 'lyrics'],
);

const TUPLET = objectOf({ onset: AT, length: LENGTH, actual: whole(2, 64), normal: whole(1, 64) });

const VOICE = objectOf({ id: ID, notes: list(NOTE, notes), tuplets: list(TUPLET, notes) });

const PART = objectOf({ id: ID, name: text(200), percussion: YES, voices: list(VOICE, voices) }, [
  'percussion',
]);

/** The fields of a song as they are kept and published. */
export const SONG_FIELDS = {
  title: text(200, 1),
  composer: text(200),
  source: text(300),
  licence: text(200),
  tags: list(text(TAG_LIMIT, 1), 30),
  keys: list(objectOf({ at: AT, tonic: objectOf(NAME), scale: text(80) }), 2_000, 1),
  metres: list(objectOf({ at: AT, count: whole(1, 64), unit: { enum: [1, 2, 4, 8, 16, 32, 64] } }), 2_000),
  tempos: list(
    objectOf({
      at: AT,
      beat: whole(1, 8 * QUARTER),
      perMinute: { type: 'number', minimum: 5, maximum: 600 },
    }),
    2_000,
  ),
  bars: list(BAR, bars, 1),
  order: list(text(60), 500),
  parts: list(PART, voices, 1),
  melody: ID,
  chords: list(objectOf({ at: AT, symbol: text(60, 1) }), 5_000),
  phrases: list(AT, bars),
} as const satisfies Record<string, Shape>;

/** Those that may be left out. */
export const OPTIONAL_SONG_FIELDS = ['order'] as const;

export const SONG_SHAPE = objectOf(SONG_FIELDS, OPTIONAL_SONG_FIELDS);
