import * as v from 'valibot';
import type { Family, OwnKey } from '../families/contract.ts';
import { parseChord, type Chord } from '../harmony/chord.ts';
import { isBlues, triadsOf } from '../harmony/scaleChords.ts';
import { LAYERS, type LayerId } from '../harmony/layer.ts';
import { patternById, PATTERNS, type PatternId } from '../route/pattern.ts';
import { noteCode, parseNote, type NoteName } from '../pitch/noteName.ts';
import { PITCH_RANGE } from '../pitch/pitch.ts';
import { expectOk, fail, isRecord, ok, shown, under, type Problem, type Result } from '../result.ts';
import { DIRECTIONS, type Direction } from '../route/direction.ts';
import { checkPreferences, defaultPreferences, type Preferences } from '../route/preferences.ts';
import { PIN, type Pin } from '../route/pin.ts';
import { BEST_OCTAVE, PLACES, WHOLE_RANGE, type LineRange } from '../route/range.ts';
import { degreeText } from '../scale/degree.ts';
import { fields, list, oneOf, parse, whole } from '../schema.ts';
import { scaleById, usualTonic, type Scale } from '../scale/scale.ts';

/** What should sound and how it is to be played; the instrument is named beside it. */
export interface Question {
  readonly tonic: NoteName;
  readonly scale: Scale;
  readonly range: LineRange;
  readonly direction: Direction;
  /** What sounds beneath; one at least. */
  readonly chords: readonly QuestionChord[];
  readonly layer: LayerId;
  readonly pattern: PatternId;
  /** Which note from the lowest an anchored pattern comes back to, 0 to 2. */
  readonly anchor: number;
  readonly preferences: Preferences;
  readonly pins: readonly Pin[];
}

/** A chord as it was asked for, and what it is over the scale. */
export interface QuestionChord {
  /** `4` for the scale's own triad on a degree, or a chord such as `IV7`. */
  readonly written: string;
  readonly chord: Chord;
}

/** A question in plain JSON, as it is stored, linked and exchanged. */
export interface StoredQuestion extends Omit<Question, 'tonic' | 'scale' | 'chords'> {
  readonly tonic: string;
  readonly scale: string;
  readonly chords: readonly string[];
}

export const OCTAVES = Object.freeze({ least: 1, most: 4 });
/** Notes that can be an anchor, from the lowest. Source: a tongue drum's players swap it among the lowest three. */
export const ANCHORS = Object.freeze([0, 1, 2] as const);
const PIN_LIMIT = 500;

const PITCH = whole(PITCH_RANGE.lowest, PITCH_RANGE.highest);
const STEP = v.exactOptional(whole(0, 11));
const RANGE = v.variant('kind', [
  fields({ kind: v.literal('whole') }),
  fields({
    kind: v.literal('octaves'),
    octaves: whole(OCTAVES.least, OCTAVES.most),
    from: v.exactOptional(v.union([PITCH, oneOf(PLACES)]), 'best'),
    start: STEP,
    turn: STEP,
  }),
  fields({ kind: v.literal('between'), low: PITCH, high: PITCH }),
]);

const PINS = list(PIN, PIN_LIMIT, 0, `Pins must be a list of ${PIN_LIMIT} at most.`);

export function storedQuestion(question: Question): StoredQuestion {
  const chords = question.chords.map(({ written }) => written);
  return { ...question, tonic: noteCode(question.tonic), scale: question.scale.id, chords };
}

const C_MAJOR: OwnKey = Object.freeze({ home: 0, ownScale: 'major' });

/** Where a line in a pattern goes when nobody says. */
export function usualDirection(pattern: PatternId): Direction {
  return patternById(pattern).usualDirection ?? 'both';
}

/** A question in another pattern; the direction follows where it was the usual one. */
export function withPattern(
  { pattern: before, direction }: Pick<StoredQuestion, 'pattern' | 'direction'>,
  pattern: PatternId,
): Pick<StoredQuestion, 'pattern' | 'direction'> {
  return { pattern, direction: direction === usualDirection(before) ? usualDirection(pattern) : direction };
}

/** The chords that a scale is asked over when nobody says: a blues its three, all others home's. @param scale its id */
export function usualChords(scale: string): readonly string[] {
  const known = scaleById(scale);
  return known.ok && isBlues(known.value) ? BLUES_CHORDS : HOME_CHORD;
}

const BLUES_CHORDS = Object.freeze(['1', '4', '5']);
const HOME_CHORD = Object.freeze(['1']);

/** A change of a question; with another scale the chords follow where they were the usual ones. */
export function withUsualChords(
  { scale, chords }: Pick<StoredQuestion, 'scale' | 'chords'>,
  change: Partial<StoredQuestion>,
): Partial<StoredQuestion> {
  const isUsual = chords.join() === usualChords(scale).join();
  return change.scale !== undefined && change.chords === undefined && isUsual
    ? { ...change, chords: usualChords(change.scale) }
    : change;
}

/**
 * The instrument's own scale up and down: over an octave where it lies best, or over all pitches of an instrument that has
 * only a set of them.
 */
export function defaultQuestion(family: Family, own: OwnKey = C_MAJOR): StoredQuestion {
  return {
    tonic: noteCode(usualTonic(expectOk(scaleById(own.ownScale)), own.home)),
    scale: own.ownScale,
    range: family.isPitchSet ? WHOLE_RANGE : BEST_OCTAVE,
    direction: usualDirection('straight'),
    chords: usualChords(own.ownScale),
    layer: 'scale',
    pattern: 'straight',
    anchor: 0,
    preferences: defaultPreferences(family),
    pins: [],
  };
}

/** Checks a stored or linked question against the family it is for. Problem fields are the question's own. */
export function checkQuestion(family: Family, stored: unknown): Result<Question> {
  if (!isRecord(stored))
    return fail({ field: '', wrong: shown(stored), message: 'This is not a question that can be asked.' });
  const problems: Problem[] = [];
  const take = <T>(field: string, result: Result<T>): T | undefined => {
    if (result.ok) return result.value;
    problems.push(...under(field, result.problems));
    return undefined;
  };
  const tonic = take('tonic', parseNote(textOf(stored['tonic'])));
  const scale = take('scale', scaleById(textOf(stored['scale'])));
  const range = take('range', checkRange(stored['range']));
  const direction = DIRECTIONS.find((d) => d === stored['direction']);
  if (!direction)
    problems.push({
      field: 'direction',
      wrong: shown(stored['direction']),
      message: 'Play up, down, both, or down and up again.',
    });
  const chords = take(
    'chords',
    scale ? checkChords(stored['chords'] ?? usualChords(scale.id), scale) : ok([]),
  );
  const layer = LAYERS.find(({ id }) => id === (stored['layer'] ?? 'scale'))?.id;
  if (!layer)
    problems.push({
      field: 'layer',
      wrong: shown(stored['layer']),
      message: `A layer is one of ${LAYERS.map((l) => l.id).join(', ')}.`,
    });
  const pattern = PATTERNS.find(({ id }) => id === (stored['pattern'] ?? 'straight'))?.id;
  if (!pattern)
    problems.push({
      field: 'pattern',
      wrong: shown(stored['pattern']),
      message: `A pattern is one of ${PATTERNS.map((p) => p.id).join(', ')}.`,
    });
  const anchor = stored['anchor'] ?? 0;
  if (!ANCHORS.some((one) => one === anchor))
    problems.push({
      field: 'anchor',
      wrong: shown(anchor),
      message: 'The anchor is the lowest note, the second or the third.',
    });
  const preferences = take('preferences', checkPreferences(family, stored['preferences']));
  const pins = take('pins', checkPins(stored['pins']));
  const isWhole = tonic && scale && range && direction && chords && layer && pattern && preferences && pins;
  if (!isWhole || problems.length > 0) return fail(...problems);
  return ok({
    tonic,
    scale,
    range,
    direction,
    chords,
    layer,
    pattern,
    preferences,
    pins,
    anchor: anchor as number,
  });
}

function textOf(value: unknown): string {
  return typeof value === 'string' ? value : '';
}

/** Most chords that can be asked over at once. */
export const CHORDS_LIMIT = 12;

function checkChords(value: unknown, scale: Scale): Result<readonly QuestionChord[]> {
  const isList = Array.isArray(value) && value.every((text): text is string => typeof text === 'string');
  if (!isList || value.length === 0 || value.length > CHORDS_LIMIT)
    return fail({
      field: '',
      wrong: shown(value),
      message: `Ask over 1 to ${CHORDS_LIMIT} chords, such as 1, IV7 or b7.`,
    });
  const read = value.map((written) => ({ written, chord: chordOver(scale, written) }));
  const problems = read.flatMap(({ chord }, i) => (chord.ok ? [] : under(String(i), chord.problems)));
  return problems.length > 0
    ? fail(...problems)
    : ok(read.map(({ written, chord }) => ({ written, chord: expectOk(chord) })));
}

/** A chord over a scale: a bare degree is the triad that the scale makes there, where it makes one. */
export function chordOver(scale: Scale, written: string): Result<Chord> {
  const own = triadsOf(scale).find((chord) => degreeText(chord.root!) === written);
  return own ? ok(own) : parseChord(written);
}

function checkRange(value: unknown): Result<LineRange> {
  const parsed = parse(RANGE, value);
  if (parsed.ok) return parsed;
  const message = `Play over ${OCTAVES.least} to ${OCTAVES.most} octaves from a home, the whole reach, or between two notes.`;
  return fail({ field: '', wrong: shown(value), message });
}

/** Field `3` for a pin that is none, or that names the note of an earlier one. */
function checkPins(value: unknown): Result<readonly Pin[]> {
  const pins = parse(PINS, value);
  if (!pins.ok) return pins;
  const notes = pins.value.map(({ noteId }) => noteId);
  const twice = notes.findIndex((noteId, i) => notes.indexOf(noteId) !== i);
  return twice < 0
    ? pins
    : fail({ field: String(twice), wrong: notes[twice]!, message: 'A note can be pinned only once.' });
}
