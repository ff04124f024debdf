import { FAMILY_IDS, familyById } from '../families/index.ts';
import { parseProgression } from '../harmony/progression.ts';
import {
  FIELDS_OF_ENTRIES,
  NAME_LIMIT,
  NOTES_LIMIT,
  openInstrument,
  textProblems,
  type InstrumentSpec,
} from '../instrument/instrument.ts';
import { checkQuestion, storedQuestion, type StoredQuestion } from '../question/question.ts';
import { fail, isRecord, ok, shown, under, type Problem, type Result } from '../result.ts';
import { checkPlan, type ArrangementPlan } from '../song/arrangement.ts';
import { checkSong } from '../song/checkSong.ts';
import { melodySketch } from '../song/opening.ts';
import type { Song } from '../song/song.ts';
import { OPTIONAL_SONG_FIELDS, SONG_FIELDS, TAG_LIMIT } from '../song/songShape.ts';
import { isId } from './isId.ts';
import { KIND_NAMES, recordTitle, type RecordKindId } from './kindNames.ts';
import { checkSavedLayout, type SavedLayout } from './layoutFile.ts';
import { items, log, measurings, people, routines } from './practiceKinds.ts';
import { unknownFields, type KindNames, type RecordKind, type Referred } from './recordKind.ts';

/** A question kept under a name. */
export interface SavedQuestion {
  readonly name: string;
  readonly instrumentId: string;
  readonly question: StoredQuestion;
}

/** A progression of one's own. */
export interface SavedProgression {
  readonly name: string;
  /** Chords as degrees, bar by bar. */
  readonly text: string;
  /** Beats in a bar. */
  readonly beats: number;
}

const NAME = { type: 'string', minLength: 1, maxLength: NAME_LIMIT };
const FAMILY = { enum: FAMILY_IDS };
const OBJECT = { type: 'object' };
const ID = { type: 'string', format: 'uuid' };

const instruments: RecordKind<InstrumentSpec> = {
  fields: {
    family: FAMILY,
    name: NAME,
    layout: OBJECT,
    capability: { type: 'object', additionalProperties: { type: 'array', items: { type: 'string' } } },
    a4: { type: 'number', description: 'Hz of A4' },
    notes: { type: 'string', maxLength: NOTES_LIMIT },
    measured: {
      type: 'object',
      additionalProperties: {
        type: 'object',
        properties: { pitch: { type: 'integer' }, cents: { type: 'number' } },
        required: ['pitch', 'cents'],
        additionalProperties: false,
      },
    },
    choices: { type: 'array', items: { type: 'string' } },
  },
  optional: ['measured', 'choices'],
  apart: FIELDS_OF_ENTRIES,
  listed: ['family'],
  check(content) {
    const opened = openInstrument(content);
    return opened.ok ? ok(opened.value.spec) : opened;
  },
};

const questions: RecordKind<SavedQuestion> = {
  fields: { name: NAME, instrumentId: ID, question: OBJECT },
  refersTo: { instrumentId: 'instruments' },
  listed: ['instrumentId'],
  check({ name, instrumentId, question }, referred) {
    const problems: Problem[] = textProblems('name', name, 1, NAME_LIMIT, 'A name');
    const instrument = isId(instrumentId) ? referred('instruments', instrumentId) : undefined;
    const family = isRecord(instrument) ? familyById(String(instrument['family'])) : undefined;
    if (!family)
      return fail(...problems, {
        field: 'instrumentId',
        wrong: shown(instrumentId),
        message: 'The instrument of this question is not there.',
      });
    const checked = checkQuestion(family, question);
    if (!checked.ok) problems.push(...under('question', checked.problems));
    if (problems.length > 0 || !checked.ok) return fail(...problems);
    return ok({
      name: (name as string).trim(),
      instrumentId: instrumentId as string,
      question: storedQuestion(checked.value),
    });
  },
};

const progressions: RecordKind<SavedProgression> = {
  fields: { name: NAME, text: { type: 'string' }, beats: { type: 'integer', minimum: 2, maximum: 12 } },
  listed: ['text', 'beats'],
  /** Problem fields: `name`, `text` (with the character), `beats`. */
  check({ name, text, beats }) {
    const problems: Problem[] = textProblems('name', name, 1, NAME_LIMIT, 'A name');
    const written = typeof text === 'string' ? text.trim() : '';
    const parsed = parseProgression('', written, Number(beats));
    if (!parsed.ok) problems.push(...parsed.problems);
    if (problems.length > 0) return fail(...problems);
    return ok({ name: (name as string).trim(), text: written, beats: beats as number });
  },
};

const layouts: RecordKind<SavedLayout> = {
  fields: { family: FAMILY, name: NAME, layout: OBJECT },
  listed: ['family'],
  check: checkSavedLayout,
};

/** A word by which songs are found, and what whoever keeps it means by it. Songs bear the word itself. */
export interface SavedTag {
  readonly name: string;
  readonly about: string;
}

const tags: RecordKind<SavedTag> = {
  fields: {
    name: { type: 'string', minLength: 1, maxLength: TAG_LIMIT },
    about: { type: 'string', maxLength: NOTES_LIMIT },
  },
  optional: ['about'],
  listed: ['about'],
  check({ name, about = '' }) {
    const problems = [
      ...textProblems('name', name, 1, TAG_LIMIT, 'A tag'),
      ...textProblems('about', about, 0, NOTES_LIMIT, 'What it means'),
    ];
    if (typeof name === 'string' && name.includes(','))
      problems.push({ field: 'name', wrong: name, message: 'A comma parts one tag from the next.' });
    return problems.length > 0
      ? fail(...problems)
      : ok({ name: (name as string).trim(), about: (about as string).trim() });
  },
};

const songs: RecordKind<Song> = {
  fields: SONG_FIELDS,
  optional: OPTIONAL_SONG_FIELDS,
  listed: ['composer', 'tags', 'keys', 'metres'],
  apart: ['parts', 'chords', 'phrases', 'tags', 'keys', 'metres', 'tempos'],
  sketch: melodySketch,
  check: (content) => checkSong(content),
};

/** A song on an instrument, as somebody worked it out. */
export interface SavedArrangement {
  readonly name: string;
  readonly songId: string;
  readonly instrumentId: string;
  readonly plan: ArrangementPlan;
}

const arrangements: RecordKind<SavedArrangement> = {
  fields: { name: NAME, songId: ID, instrumentId: ID, plan: OBJECT },
  refersTo: { songId: 'songs', instrumentId: 'instruments' },
  listed: ['songId', 'instrumentId'],
  check({ name, songId, instrumentId, plan }, referred) {
    const problems: Problem[] = textProblems('name', name, 1, NAME_LIMIT, 'A name');
    const instrument = isId(instrumentId) ? referred('instruments', instrumentId) : undefined;
    const family = isRecord(instrument) ? familyById(String(instrument['family'])) : undefined;
    const lost = (field: string, wrong: unknown, what: string) =>
      problems.push({ field, wrong: shown(wrong), message: `The ${what} of this arrangement is not there.` });
    if (!isId(songId) || !referred('songs', songId)) lost('songId', songId, 'song');
    if (!family) lost('instrumentId', instrumentId, 'instrument');
    const checked = family && checkPlan(family, plan);
    if (checked && !checked.ok) problems.push(...under('plan', checked.problems));
    if (problems.length > 0 || !checked?.ok) return fail(...problems);
    return ok({
      name: (name as string).trim(),
      songId: songId as string,
      instrumentId: instrumentId as string,
      plan: checked.value,
    });
  },
};

/** What is kept of each kind and how it is checked. */
export const recordKinds = {
  instruments,
  questions,
  progressions,
  layouts,
  tags,
  songs,
  arrangements,
  people,
  items,
  routines,
  measurings,
  log,
} as const satisfies {
  readonly [K in RecordKindId]: unknown;
};

export type ContentOf<K extends RecordKindId> =
  (typeof recordKinds)[K] extends RecordKind<infer Content> ? Content : never;

/** A kind as those see it who handle all kinds alike; contents are opaque to them. */
export function recordKind(id: RecordKindId): RecordKind & KindNames {
  return {
    ...(recordKinds[id] as unknown as RecordKind),
    ...KIND_NAMES[id],
    title: (content) => recordTitle(id, content),
  };
}

/** Checks what shall be kept as a record of a kind, unknown fields included. Problem fields are the content's own. */
export function checkContent(id: RecordKindId, content: unknown, referred: Referred): Result<object> {
  const kind = recordKind(id);
  if (!isRecord(content))
    return fail({ field: '', wrong: shown(content), message: `${kind.one} must be an object with fields.` });
  const unknown = unknownFields(kind, content);
  const checked = kind.check(content, referred);
  const problems = [...unknown, ...(checked.ok ? [] : checked.problems)];
  return problems.length > 0 ? fail(...problems) : checked;
}

/** JSON Schema of a record's content, with the given fields beside it. */
export function contentSchema(id: RecordKindId, beside: Readonly<Record<string, object>> = {}): object {
  const { fields, optional = [] } = recordKind(id);
  const properties: Record<string, object> = { ...beside, ...fields };
  return {
    type: 'object',
    properties,
    required: Object.keys(properties).filter((field) => !(optional as readonly string[]).includes(field)),
    additionalProperties: false,
  };
}
