const DAY = 86_400_000;

/** The day, `2026-05-04`, on which a time falls where the player lives. */
export type DayOf = (at: string | number) => string;

/**
 * Days of a place whose clock is put forward and back.
 * @param offsetAt minutes that its time is ahead of UTC at a time in ms since 1970
 */
export function daysWhere(offsetAt: (at: number) => number): DayOf {
  return (at) => {
    const time = new Date(at).getTime();
    return isoDay(time + offsetAt(time) * 60_000);
  };
}

/** The day so many days earlier; later where negative. */
export function dayBefore(day: string, days: number): string {
  return isoDay(midnight(day) - days * DAY);
}

/** Days from one to another; negative where that one is earlier. */
export function daysBetween(from: string, to: string): number {
  return (midnight(to) - midnight(from)) / DAY;
}

/** The Monday of a day's week. */
export function mondayOf(day: string): string {
  // 1970 began on a Thursday.
  return dayBefore(day, (midnight(day) / DAY + 3) % 7);
}

function midnight(day: string): number {
  return Date.parse(`${day}T00:00:00Z`);
}

function isoDay(time: number): string {
  return new Date(time).toISOString().slice(0, 10);
}
