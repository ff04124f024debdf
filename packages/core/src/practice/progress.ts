import { dayBefore, type DayOf } from './days.ts';
import type { LogEntry } from './log.ts';

/** Minutes of one day. */
export interface DayMinutes {
  /** `2026-05-04`, in local time. */
  readonly day: string;
  readonly minutes: number;
  readonly byName: readonly { readonly name: string; readonly minutes: number }[];
}

/** What was played on each of the last days, those without anything too. */
export function minutesByDay(
  entries: readonly LogEntry[],
  { today, days, dayOf }: { readonly today: string; readonly days: number; readonly dayOf: DayOf },
): readonly DayMinutes[] {
  const of = new Map<string, Map<string, number>>();
  for (let back = days - 1; back >= 0; back -= 1) of.set(dayBefore(today, back), new Map());
  for (const { at, name, minutes } of entries) {
    const names = of.get(dayOf(at));
    names?.set(name, (names.get(name) ?? 0) + minutes);
  }
  return [...of].map(([day, names]) => {
    const byName = [...names]
      .map(([name, minutes]) => ({ name, minutes }))
      .sort((a, b) => b.minutes - a.minutes);
    return { day, minutes: byName.reduce((sum, one) => sum + one.minutes, 0), byName };
  });
}

/** How the tempo of one item went. */
export interface TempoCourse {
  readonly itemId: string;
  readonly name: string;
  readonly points: readonly { readonly at: string; readonly tempo: number; readonly share: number }[];
  /** Beats a minute from the first to the last. */
  readonly gained: number;
}

/** Tempos by item, those played most first; items played once have no course. */
export function tempoCourses(entries: readonly LogEntry[]): readonly TempoCourse[] {
  const of = new Map<string, LogEntry[]>();
  for (const entry of entries) {
    if (entry.itemId === '' || entry.tempo === 0) continue;
    of.set(entry.itemId, [...(of.get(entry.itemId) ?? []), entry]);
  }
  return [...of]
    .filter(([, list]) => list.length > 1)
    .map(([itemId, list]) => {
      const points = list.map(({ at, tempo, clean, rounds }) => ({
        at,
        tempo,
        share: rounds > 0 ? clean / rounds : 1,
      }));
      return { itemId, name: list.at(-1)!.name, points, gained: points.at(-1)!.tempo - points[0]!.tempo };
    })
    .sort((a, b) => b.points.length - a.points.length);
}

/** Minutes in each of the twelve keys, by pitch class; what was played in several is shared among them. */
export function minutesByKey(entries: readonly LogEntry[]): readonly number[] {
  const minutes = Array.from({ length: 12 }, () => 0);
  for (const { keys, minutes: all } of entries) for (const key of keys) minutes[key]! += all / keys.length;
  return minutes;
}

/** How a way goes. */
export interface WayRecord {
  readonly wayId: string;
  readonly played: number;
  readonly missed: number;
}

/** Ways of one instrument as they were played, by id. */
export function waysOf(entries: readonly LogEntry[], instrumentId: string): ReadonlyMap<string, WayRecord> {
  const of = new Map<string, WayRecord>();
  for (const entry of entries)
    if (entry.instrumentId === instrumentId)
      for (const [wayId, { played, missed }] of Object.entries(entry.ways)) {
        const known = of.get(wayId) ?? { wayId, played: 0, missed: 0 };
        of.set(wayId, { wayId, played: known.played + played, missed: known.missed + missed });
      }
  return of;
}

/**
 * How much more often a weak spot is asked: 1 where nothing is known, up to 5 where every answer was wrong; a few answers
 * count for little.
 */
export function weightOf(record: Pick<WayRecord, 'played' | 'missed'> | undefined): number {
  if (!record || record.played === 0) return 1;
  const doubt = 2;
  return 1 + (4 * record.missed) / (record.played + doubt);
}
