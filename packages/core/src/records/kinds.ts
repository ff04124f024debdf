import * as v from 'valibot';
import { parseProgression } from '../harmony/progression.ts';
import {
  FIELDS_OF_ENTRIES,
  INSTRUMENT,
  NAME,
  NOTES_LIMIT,
  openInstrument,
  type InstrumentSpec,
} from '../instrument/instrument.ts';
import { checkQuestion, storedQuestion, type StoredQuestion } from '../question/question.ts';
import { fail, isRecord, ok, shown, under, type Problem, type Result } from '../result.ts';
import { checkedElsewhere, fields, id, typedText } from '../schema.ts';
import { checkPlan, type ArrangementPlan } from '../song/arrangement.ts';
import { checkSong } from '../song/checkSong.ts';
import { melodySketch } from '../song/opening.ts';
import type { Song } from '../song/song.ts';
import { SONG, TAG_LIMIT } from '../song/songSchema.ts';
import type { Fields } from './change.ts';
import { KIND_NAMES, recordTitle, type RecordKindId } from './kindNames.ts';
import { openLayout, SAVED_LAYOUT } from './layoutFile.ts';
import { items, log, measurings, people, routines } from './practiceKinds.ts';
import { defineKind, type KindNames, type RecordKind, type Referred } from './recordKind.ts';
import { familyReferred, lost } from './references.ts';

const instruments = defineKind<typeof INSTRUMENT, InstrumentSpec>(
  INSTRUMENT,
  { apart: FIELDS_OF_ENTRIES, listed: ['family'] },
  (content) => {
    const opened = openInstrument(content);
    return opened.ok ? ok(opened.value.spec) : opened;
  },
);

const QUESTION = fields({ name: NAME, instrumentId: id(), question: checkedElsewhere() });

/** A question kept under a name. */
export interface SavedQuestion extends Omit<v.InferOutput<typeof QUESTION>, 'question'> {
  readonly question: StoredQuestion;
}

const questions = defineKind<typeof QUESTION, SavedQuestion>(
  QUESTION,
  { refersTo: { instrumentId: 'instruments' }, listed: ['instrumentId'] },
  (content, referred) => {
    const family = familyReferred(content.instrumentId, referred);
    if (!family) return fail(lost('instrumentId', content.instrumentId, 'instrument of this question'));
    const checked = checkQuestion(family, content.question);
    if (!checked.ok) return fail(...under('question', checked.problems));
    return ok({ ...content, question: storedQuestion(checked.value) });
  },
);

const PROGRESSION = fields({
  name: NAME,
  /** Chords as degrees, bar by bar. */
  text: v.pipe(v.string('A progression is written as text.'), v.trim()),
  /** Beats in a bar. */
  beats: v.number('Beats are counted in numbers.'),
});

/** A progression of one's own. */
export interface SavedProgression extends v.InferOutput<typeof PROGRESSION> {}

const progressions = defineKind(PROGRESSION, { listed: ['text', 'beats'] }, (content) => {
  const parsed = parseProgression('', content.text, content.beats);
  return parsed.ok ? ok(content) : parsed;
});

const layouts = defineKind(SAVED_LAYOUT, { listed: ['family'] }, openLayout);

const TAG = fields({
  name: v.pipe(
    typedText('A tag', TAG_LIMIT, 1),
    v.check((name) => !name.includes(','), 'A comma parts one tag from the next.'),
  ),
  about: v.exactOptional(typedText('What it means', NOTES_LIMIT), ''),
});

/** A word by which songs are found, and what whoever keeps it means by it. Songs bear the word itself. */
export interface SavedTag extends v.InferOutput<typeof TAG> {}

const tags = defineKind(TAG, { listed: ['about'] });

const songs = defineKind<typeof SONG, Song>(
  SONG,
  {
    listed: ['composer', 'tags', 'keys', 'metres'],
    apart: ['parts', 'chords', 'phrases', 'tags', 'keys', 'metres', 'tempos'],
    sketch: melodySketch,
  },
  checkSong,
);

const ARRANGEMENT = fields({ name: NAME, songId: id(), instrumentId: id(), plan: checkedElsewhere() });

/** A song on an instrument, as somebody worked it out. */
export interface SavedArrangement extends Omit<v.InferOutput<typeof ARRANGEMENT>, 'plan'> {
  readonly plan: ArrangementPlan;
}

const arrangements = defineKind<typeof ARRANGEMENT, SavedArrangement>(
  ARRANGEMENT,
  {
    refersTo: { songId: 'songs', instrumentId: 'instruments' },
    listed: ['songId', 'instrumentId'],
  },
  (content, referred) => {
    const { songId, instrumentId } = content;
    const problems: Problem[] = [];
    if (!referred('songs', songId)) problems.push(lost('songId', songId, 'song of this arrangement'));
    const family = familyReferred(instrumentId, referred);
    if (!family) problems.push(lost('instrumentId', instrumentId, 'instrument of this arrangement'));
    const checked = family && checkPlan(family, content.plan);
    if (checked && !checked.ok) problems.push(...under('plan', checked.problems));
    return checked?.ok && problems.length === 0 ? ok({ ...content, plan: checked.value }) : fail(...problems);
  },
);

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
  const kind: RecordKind = recordKinds[id];
  return { ...kind, ...KIND_NAMES[id], title: (content) => recordTitle(id, content) };
}

/** Checks what shall be kept as a record of a kind, unknown fields included. Problem fields are the content's own. */
export function checkContent(id: RecordKindId, content: unknown, referred: Referred): Result<Fields> {
  if (isRecord(content)) {
    const checked = recordKinds[id].check(content, referred);
    return checked.ok ? ok({ ...checked.value }) : checked;
  }
  const message = `${KIND_NAMES[id].one} must be an object with fields.`;
  return fail({ field: '', wrong: shown(content), message });
}

/** JSON Schema of a record's content, with the given fields beside it. */
export function contentSchema(id: RecordKindId, beside: Readonly<Record<string, object>> = {}): object {
  const { properties, required } = recordKinds[id].schema;
  return {
    type: 'object',
    properties: { ...beside, ...properties },
    required: [...Object.keys(beside), ...required],
    additionalProperties: false,
  };
}
