import { checkMeasuring, type Measuring } from '../ear/measuring.ts';
import { NAME_LIMIT, NOTES_LIMIT, textProblems } from '../instrument/instrument.ts';
import { MINUTES_LIMIT } from '../practice/howTo.ts';
import { checkItem, type PracticeItem } from '../practice/item.ts';
import { checkLogEntry, type LogEntry } from '../practice/log.ts';
import { fail, isRecord, ok, shown, type Problem } from '../result.ts';
import { isId } from './isId.ts';
import type { RecordKind } from './recordKind.ts';

const NAME = { type: 'string', minLength: 1, maxLength: NAME_LIMIT };
const OBJECT = { type: 'object' };
const ID = { type: 'string', format: 'uuid' };

/** Somebody who plays: a pupil, a player, the teacher. */
export interface SavedPerson {
  readonly name: string;
  readonly notes: string;
}

export const people: RecordKind<SavedPerson> = {
  fields: { name: NAME, notes: { type: 'string', maxLength: NOTES_LIMIT } },
  optional: ['notes'],
  listed: [],
  check({ name, notes = '' }) {
    const problems = [
      ...textProblems('name', name, 1, NAME_LIMIT, 'A name'),
      ...textProblems('notes', notes, 0, NOTES_LIMIT, 'Notes'),
    ];
    return problems.length > 0
      ? fail(...problems)
      : ok({ name: (name as string).trim(), notes: (notes as string).trim() });
  },
};

export const items: RecordKind<PracticeItem> = {
  fields: {
    name: { type: 'string', minLength: 1, maxLength: 200 },
    instrumentId: ID,
    songId: ID,
    personId: ID,
    what: OBJECT,
    how: OBJECT,
    set: { type: 'boolean' },
  },
  optional: ['songId', 'personId', 'how', 'set'],
  refersTo: { instrumentId: 'instruments', songId: 'songs', personId: 'people' },
  listed: ['instrumentId', 'set'],
  check(content, referred) {
    const { instrumentId, songId, personId } = content;
    const instrument = isId(instrumentId) ? referred('instruments', instrumentId) : undefined;
    if (!isRecord(instrument))
      return fail({
        field: 'instrumentId',
        wrong: shown(instrumentId),
        message: 'The instrument of this item is not there.',
      });
    const checked = checkItem(content, String(instrument['family']));
    if (!checked.ok) return checked;
    const isSong = checked.value.what.kind === 'song';
    if (isSong !== (songId !== undefined) || (isSong && !(isId(songId) && referred('songs', songId))))
      return fail({ field: 'songId', wrong: shown(songId), message: 'The song of this item is not there.' });
    if (personId !== undefined && !(isId(personId) && referred('people', personId)))
      return fail({
        field: 'personId',
        wrong: shown(personId),
        message: 'The person of this item is not there.',
      });
    return ok({
      ...checked.value,
      instrumentId: instrumentId as string,
      ...(isSong && { songId: songId as string }),
      ...(personId !== undefined && { personId }),
    });
  },
};

/** Items in an order that is kept: a warm-up, scales round the circle. */
export interface SavedRoutine {
  readonly name: string;
  /** Ids of items, each with its minutes; an item that is gone is passed over. */
  readonly steps: readonly { readonly itemId: string; readonly minutes: number }[];
}

export const routines: RecordKind<SavedRoutine> = {
  fields: {
    name: NAME,
    steps: {
      type: 'array',
      maxItems: 60,
      items: {
        type: 'object',
        properties: { itemId: ID, minutes: { type: 'number', minimum: 1, maximum: MINUTES_LIMIT } },
        required: ['itemId', 'minutes'],
        additionalProperties: false,
      },
    },
  },
  listed: ['steps'],
  check({ name, steps }) {
    const problems: Problem[] = textProblems('name', name, 1, NAME_LIMIT, 'A name');
    const list: readonly unknown[] = Array.isArray(steps) ? steps : [];
    if (!Array.isArray(steps) || list.length > 60)
      problems.push({ field: 'steps', wrong: shown(steps), message: 'A routine has up to 60 steps.' });
    list.forEach((step, i) => {
      const { itemId, minutes } = isRecord(step) ? step : {};
      if (!isId(itemId))
        problems.push({
          field: `steps.${i}.itemId`,
          wrong: shown(itemId),
          message: 'A step is one of the items.',
        });
      if (typeof minutes !== 'number' || !(minutes >= 1 && minutes <= MINUTES_LIMIT))
        problems.push({
          field: `steps.${i}.minutes`,
          wrong: shown(minutes),
          message: `A step takes 1 to ${MINUTES_LIMIT} minutes.`,
        });
    });
    if (problems.length > 0) return fail(...problems);
    return ok({
      name: (name as string).trim(),
      steps: (list as SavedRoutine['steps']).map(({ itemId, minutes }) => ({ itemId, minutes })),
    });
  },
};

/** An instrument measured by ear, under the name that it bore then. */
export interface SavedMeasuring extends Measuring {
  readonly name: string;
  readonly instrumentId: string;
}

export const measurings: RecordKind<SavedMeasuring> = {
  fields: {
    name: NAME,
    instrumentId: ID,
    at: { type: 'string', format: 'date-time' },
    a4: { type: 'number', description: 'Hz of the A from which the cents are counted' },
    ways: {
      type: 'object',
      additionalProperties: {
        type: 'object',
        properties: {
          pitch: { type: 'integer' },
          cents: { type: 'number' },
          spread: { type: 'number' },
          count: { type: 'integer' },
        },
        required: ['pitch', 'cents', 'spread', 'count'],
        additionalProperties: false,
      },
    },
  },
  refersTo: { instrumentId: 'instruments' },
  listed: ['instrumentId', 'at'],
  check(content, referred) {
    const { name, instrumentId } = content;
    const problems: Problem[] = textProblems('name', name, 1, NAME_LIMIT, 'A name');
    if (!isId(instrumentId) || !referred('instruments', instrumentId))
      problems.push({
        field: 'instrumentId',
        wrong: shown(instrumentId),
        message: 'The instrument that was measured is not there.',
      });
    const checked = checkMeasuring(content);
    if (!checked.ok) problems.push(...checked.problems);
    if (problems.length > 0 || !checked.ok) return fail(...problems);
    return ok({
      name: (name as string).trim(),
      instrumentId: instrumentId as string,
      ...checked.value,
    });
  },
};

export const log: RecordKind<LogEntry> = {
  fields: {
    entry: ID,
    revision: { type: 'integer', minimum: 1 },
    gone: { type: 'boolean' },
    at: { type: 'string', format: 'date-time' },
    name: { type: 'string', minLength: 1, maxLength: 200 },
    itemId: { type: 'string' },
    personId: { type: 'string' },
    instrumentId: { type: 'string' },
    minutes: { type: 'number', minimum: 0 },
    tempo: { type: 'number', minimum: 0 },
    rounds: { type: 'integer', minimum: 0 },
    clean: { type: 'integer', minimum: 0 },
    keys: { type: 'array', items: { type: 'integer' } },
    ways: OBJECT,
    note: { type: 'string' },
  },
  optional: ['gone', 'itemId', 'personId', 'instrumentId', 'keys', 'ways', 'note'],
  listed: ['at', 'entry', 'revision'],
  appendOnly: { at: ({ at }) => at },
  check: (content) => checkLogEntry(content),
};
