import * as v from 'valibot';
import type { Result } from '../result.ts';
import {
  byId,
  fields,
  id,
  idOrNone,
  isoTime,
  list,
  number,
  parse,
  typedText,
  whole,
  yesOrNo,
} from '../schema.ts';
import { WAY_COUNT } from '../ear/waySound.ts';

const LIMITS = Object.freeze({ minutes: 1440, tempo: 400, rounds: 100_000, ways: 400, text: 500 });

const COUNT = whole(0, LIMITS.rounds, 'Rounds are counted in whole numbers.');

export const LOG_ENTRY = v.pipe(
  fields({
    /** `entry` (a UUID) names the session; `revision` rises by one with every rewrite, and the highest holds. */
    entry: v.pipe(id('An entry has a UUID.'), v.toLowerCase()),
    revision: whole(1, LIMITS.rounds, 'Revisions are counted from 1 on.'),
    /** Put away by hand. */
    gone: v.exactOptional(yesOrNo('It is put away or not: true or false.')),
    /** When it began. */
    at: isoTime('When it began is written as 2026-05-04T17:30:00Z.'),
    name: typedText('A name', 200, 1),
    /** Ids of records that may be gone since; empty where there was none. */
    itemId: v.exactOptional(idOrNone(), ''),
    personId: v.exactOptional(idOrNone(), ''),
    instrumentId: v.exactOptional(idOrNone(), ''),
    minutes: number(0, LIMITS.minutes, `It took 0 to ${LIMITS.minutes} minutes.`),
    /** Counted beats a minute it ended with; 0 where there was none. */
    tempo: number(0, LIMITS.tempo, `A tempo is 0 to ${LIMITS.tempo} beats a minute.`),
    rounds: COUNT,
    clean: COUNT,
    /** Pitch class of the keys it was played in. */
    keys: v.exactOptional(
      list(whole(0, 11, 'Keys are pitch classes from 0 to 11.'), 12, 0, 'Keys are at most 12 pitch classes.'),
      [],
    ),
    /** Ways that were asked for or played, and how often they went wrong. */
    ways: v.exactOptional(byId(WAY_COUNT, LIMITS.ways, 'Ways are counted as played and missed.'), {}),
    note: v.exactOptional(typedText('A note', LIMITS.text), ''),
  }),
  v.forward(
    v.partialCheck(
      [['clean'], ['rounds']],
      ({ clean, rounds }) => clean <= rounds,
      'No more rounds are clean than were played.',
    ),
    ['clean'],
  ),
);

/**
 * A session of practice. Entries are never changed: a session that grows, or is corrected by hand, is written again with
 * the same `entry` and a higher `revision`.
 */
export interface LogEntry extends v.InferOutput<typeof LOG_ENTRY> {}

/** Checks a log entry as it comes from a page or a file. Problem fields are its own. */
export function checkLogEntry(content: unknown): Result<LogEntry> {
  return parse(LOG_ENTRY, content);
}

/** What holds of a log: of each entry its last telling, none that was put away; rising by time. */
export function currentEntries<T extends LogEntry>(entries: readonly T[]): readonly T[] {
  const last = new Map<string, T>();
  for (const one of entries) {
    const known = last.get(one.entry);
    if (!known || one.revision >= known.revision) last.set(one.entry, one);
  }
  return [...last.values()].filter(({ gone }) => !gone).sort((a, b) => a.at.localeCompare(b.at));
}
