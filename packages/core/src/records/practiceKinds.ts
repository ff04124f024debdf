import * as v from 'valibot';
import { MEASURING } from '../ear/measuring.ts';
import { NAME, NOTES_LIMIT } from '../instrument/instrument.ts';
import { MINUTES_LIMIT } from '../practice/howTo.ts';
import { checkPractised, ITEM, type PracticeItem } from '../practice/item.ts';
import { LOG_ENTRY, type LogEntry } from '../practice/log.ts';
import { fail, ok, under } from '../result.ts';
import { fields, id, list, number, typedText } from '../schema.ts';
import { defineKind } from './recordKind.ts';
import { familyReferred, lost } from './references.ts';

const PERSON = fields({ name: NAME, notes: v.exactOptional(typedText('Notes', NOTES_LIMIT), '') });

/** Somebody who plays: a pupil, a player, the teacher. */
export interface SavedPerson extends v.InferOutput<typeof PERSON> {}

export const people = defineKind(PERSON, { listed: [] });

export const items = defineKind<typeof ITEM, PracticeItem>(
  ITEM,
  {
    refersTo: { instrumentId: 'instruments', songId: 'songs', personId: 'people' },
    listed: ['instrumentId', 'set'],
  },
  (content, referred) => {
    const { instrumentId, songId, personId } = content;
    const family = familyReferred(instrumentId, referred);
    if (!family) return fail(lost('instrumentId', instrumentId, 'instrument of this item'));
    const practised = checkPractised(family, content.what);
    if (!practised.ok) return fail(...under('what', practised.problems));
    const isSong = practised.value.kind === 'song';
    if (isSong !== (songId !== undefined) || (songId !== undefined && !referred('songs', songId)))
      return fail(lost('songId', songId, 'song of this item'));
    if (personId !== undefined && !referred('people', personId))
      return fail(lost('personId', personId, 'person of this item'));
    return ok({ ...content, what: practised.value });
  },
);

const STEPS_LIMIT = 60;

const ROUTINE = fields({
  name: NAME,
  /** Ids of items, each with its minutes; an item that is gone is passed over. */
  steps: list(
    fields({
      itemId: id('A step is one of the items.'),
      minutes: number(1, MINUTES_LIMIT, `A step takes 1 to ${MINUTES_LIMIT} minutes.`),
    }),
    STEPS_LIMIT,
    0,
    `A routine has up to ${STEPS_LIMIT} steps.`,
  ),
});

/** Items in an order that is kept: a warm-up, scales round the circle. */
export interface SavedRoutine extends v.InferOutput<typeof ROUTINE> {}

export const routines = defineKind(ROUTINE, { listed: ['steps'] });

const SAVED_MEASURING = fields({ name: NAME, instrumentId: id(), ...MEASURING });

/** An instrument measured by ear, under the name that it bore then. */
export interface SavedMeasuring extends v.InferOutput<typeof SAVED_MEASURING> {}

export const measurings = defineKind(
  SAVED_MEASURING,
  { refersTo: { instrumentId: 'instruments' }, listed: ['instrumentId', 'at'] },
  (content, referred) =>
    referred('instruments', content.instrumentId)
      ? ok(content)
      : fail(lost('instrumentId', content.instrumentId, 'instrument that was measured')),
);

export const log = defineKind<typeof LOG_ENTRY, LogEntry>(LOG_ENTRY, {
  listed: ['at', 'entry', 'revision'],
  appendOnly: { at: ({ at }) => at },
});
