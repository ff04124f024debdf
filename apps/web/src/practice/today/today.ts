import {
  type DayOf,
  type DayPlan,
  type Why,
  daysBetween,
  daysWhere,
  planDay,
} from '@same-song/core/practice';
import type { ItemRecord } from '../../api/records.ts';
import { StoredValues } from '../../frame/stored.ts';
import type { Schedule } from '../schedule.ts';

/** One row of the plan of a day. */
export interface TodayRow {
  readonly id: string;
  readonly minutes: number;
  readonly why: Why | 'routine';
  readonly overdue: number;
  readonly done?: boolean;
}

/** The plan as it was changed or begun: it outlives a reload. */
interface KeptPlan {
  readonly day: string;
  readonly who: string;
  readonly rows: readonly TodayRow[];
}

const keptPlans = new StoredValues<KeptPlan>('today', (value) => {
  const { day, who, rows } = value as Partial<KeptPlan>;
  return typeof day === 'string' && typeof who === 'string' && Array.isArray(rows)
    ? { day, who, rows }
    : undefined;
});

/** @param day as `2026-05-04` */
export function keptPlan(day: string, who: string): readonly TodayRow[] | undefined {
  const kept = keptPlans.get();
  return kept?.day === day && kept.who === who ? kept.rows : undefined;
}

/** @param rows undefined to plan the day anew */
export function keepPlan(day: string, who: string, rows: readonly TodayRow[] | undefined): void {
  keptPlans.set(rows && { day, who, rows });
}

/** What the minutes at hand are planned for. */
export function proposed(
  items: readonly ItemRecord[],
  scheduleFor: (id: string) => Schedule,
  { minutes, now }: { readonly minutes: number; readonly now: number },
): DayPlan {
  const known = items.map(({ id, how, set, what }) => ({
    id,
    minutes: how.minutes,
    set,
    isSong: what.kind === 'song',
    ...scheduleFor(id),
  }));
  const midnight = new Date(now).setHours(0, 0, 0, 0);
  return planDay(known, minutes, { now, began: midnight });
}

/** Why something is in the plan, in words. */
export function whyWords({ why, overdue }: Pick<TodayRow, 'why' | 'overdue'>): string {
  if (why === 'due')
    return overdue > 0 ? `waiting for ${overdue} ${overdue === 1 ? 'day' : 'days'}` : 'due again today';
  return WHY[why];
}

const WHY: Readonly<Record<Exclude<TodayRow['why'], 'due'>, string>> = {
  set: 'your teacher set it',
  new: 'something new',
  song: 'a song to end with',
  again: 'there is time for it',
  routine: 'part of the routine',
};

/** `due in 3 days`, `not played yet`. */
export function dueWords({ due }: Schedule, now: number): string {
  if (due === undefined) return 'not played yet';
  const days = daysBetween(dayHere(now), dayHere(due));
  if (due <= now || days <= 0) return 'due again';
  return days === 1 ? 'due again tomorrow' : `due again in ${days} days`;
}

/** The same row moved up or down by one. */
export function moved(rows: readonly TodayRow[], at: number, by: -1 | 1): readonly TodayRow[] {
  const to = at + by;
  if (to < 0 || to >= rows.length) return rows;
  const next = [...rows];
  [next[at], next[to]] = [next[to]!, next[at]!];
  return next;
}

/** A row taken to another place. */
export function movedTo(rows: readonly TodayRow[], from: number, to: number): readonly TodayRow[] {
  const next = rows.filter((_, i) => i !== from);
  next.splice(to, 0, rows[from]!);
  return next;
}

/** The day on which a time falls on this device. */
export const dayHere: DayOf = daysWhere((at) => -new Date(at).getTimezoneOffset());
