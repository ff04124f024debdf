import { isId } from '../records/isId.ts';
import { textProblems } from '../instrument/instrument.ts';
import { fail, isRecord, ok, shown, type Problem, type Result } from '../result.ts';
import type { WayCount } from './waySound.ts';

/**
 * A session of practice. Entries are never changed: a session that grows, or is corrected by hand, is written again with
 * the same `entry` and a higher `revision`.
 */
export interface LogEntry {
  /** `entry` (a UUID) names the session; `revision` rises by one with every rewrite, from 1 on, and the highest holds. */
  readonly entry: string;
  readonly revision: number;
  /** Put away by hand. */
  readonly gone?: boolean;
  /** ISO 8601, in UTC: when it began. */
  readonly at: string;
  readonly name: string;
  /** Ids of records that may be gone since; empty where there was none. */
  readonly itemId: string;
  readonly personId: string;
  readonly instrumentId: string;
  readonly minutes: number;
  /** Counted beats a minute it ended with; 0 where there was none. */
  readonly tempo: number;
  readonly rounds: number;
  readonly clean: number;
  /** Pitch class of the keys it was played in. */
  readonly keys: readonly number[];
  /** Ways that were asked for or played, and how often they went wrong. */
  readonly ways: Readonly<Record<string, WayCount>>;
  readonly note: string;
}

const LIMITS = Object.freeze({ minutes: 1440, count: 100_000, ways: 400, text: 500, off: 10_000 });

/** Checks a log entry as it comes from a page or a file. Problem fields are its own. */
export function checkLogEntry(content: Readonly<Record<string, unknown>>): Result<LogEntry> {
  const { entry, revision, gone, at, name, minutes, tempo, rounds, clean } = content;
  const { itemId = '', personId = '', instrumentId = '', keys = [], ways = {}, note = '' } = content;
  const problems: Problem[] = [
    ...textProblems('name', name, 1, 200, 'A name'),
    ...textProblems('note', note, 0, LIMITS.text, 'A note'),
  ];
  const need = (field: string, value: unknown, sound: boolean, message: string) => {
    if (!sound) problems.push({ field, wrong: shown(value), message });
  };
  const number = (value: unknown, most: number) =>
    typeof value === 'number' && Number.isFinite(value) && value >= 0 && value <= most;
  const whole = (value: unknown) => number(value, LIMITS.count) && Number.isInteger(value);
  need('entry', entry, isId(entry), 'An entry has a UUID.');
  need('revision', revision, whole(revision) && Number(revision) >= 1, 'Revisions are counted from 1 on.');
  need(
    'gone',
    gone,
    gone === undefined || typeof gone === 'boolean',
    'It is put away or not: true or false.',
  );
  const time = typeof at === 'string' && /^\d{4}-\d\d-\d\dT/.test(at) ? Date.parse(at) : NaN;
  need('at', at, Number.isFinite(time), 'When it began is written as 2026-05-04T17:30:00Z.');
  need('minutes', minutes, number(minutes, LIMITS.minutes), `It took 0 to ${LIMITS.minutes} minutes.`);
  need('tempo', tempo, number(tempo, 400), 'A tempo is 0 to 400 beats a minute.');
  need('rounds', rounds, whole(rounds), 'Rounds are counted in whole numbers.');
  need(
    'clean',
    clean,
    whole(clean) && Number(clean) <= Number(rounds),
    'No more rounds are clean than were played.',
  );
  for (const [field, id] of Object.entries({ itemId, personId, instrumentId }))
    need(field, id, id === '' || isId(id), 'A record is named by its id.');
  need(
    'keys',
    keys,
    Array.isArray(keys) && keys.length <= 12 && keys.every((key) => whole(key) && key < 12),
    'Keys are pitch classes from 0 to 11.',
  );
  const counts = isRecord(ways) ? Object.entries(ways) : [];
  need(
    'ways',
    ways,
    isRecord(ways) &&
      counts.length <= LIMITS.ways &&
      counts.every(([, n]) => isRecord(n) && whole(n['played']) && whole(n['missed'])),
    'Ways are counted as played and missed.',
  );
  const isSound = (n: unknown) =>
    n === undefined ||
    (isRecord(n) &&
      ['times', 'sharp', 'flat', 'early', 'late'].every((field) => whole(n[field])) &&
      ['cents', 'ms'].every((field) => typeof n[field] === 'number' && Math.abs(n[field]) <= LIMITS.off));
  need(
    'ways',
    ways,
    counts.every(([, n]) => !isRecord(n) || isSound(n['sound'])),
    'How a way sounded is told as times, cents, sharp, flat, ms, early and late.',
  );
  if (problems.length > 0) return fail(...problems);
  return ok({
    entry: (entry as string).toLowerCase(),
    revision: revision as number,
    ...(gone === true && { gone }),
    at: new Date(time).toISOString(),
    name: (name as string).trim(),
    itemId,
    personId,
    instrumentId,
    minutes,
    tempo,
    rounds,
    clean,
    keys,
    ways,
    note: (note as string).trim(),
  } as LogEntry);
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
