import { seededRandom } from '@same-song/core';
import { planDay, type LogEntry } from '@same-song/core/practice';
import { scheduleOf } from './schedule.ts';

const DAY = 86_400_000;
const START = Date.parse('2026-03-01T18:00:00Z');
const played = (day: number, clean: number): Pick<LogEntry, 'at' | 'rounds' | 'clean' | 'tempo'> => ({
  at: new Date(START + day * DAY).toISOString(),
  rounds: 10,
  clean,
  tempo: 80,
});
const daysUntil = (entries: Parameters<typeof scheduleOf>[0]) => {
  const { due, last } = scheduleOf(entries);
  return Math.round((due! - last!) / DAY);
};

test('what goes well comes back later and later, what does not soon', () => {
  const good = [0, 3, 9].map((day) => played(day, 9));
  const waits = good.map((_, i) => daysUntil(good.slice(0, i + 1)));
  expect(waits[1]).toBeGreaterThan(waits[0]!);
  expect(waits[2]).toBeGreaterThan(waits[1]!);
  expect(daysUntil([...good, played(20, 2)])).toBeLessThan(daysUntil([...good, played(20, 9)]));
  expect(daysUntil([played(0, 1)])).toBeLessThanOrEqual(1);
  expect(daysUntil(Array.from({ length: 12 }, (_, i) => played(i * 21, 10)))).toBeLessThanOrEqual(21);
  expect(scheduleOf([])).toEqual({ due: undefined, last: undefined });
});

/** A pupil with forty minutes a day who does what the plan says, for ninety days, and what was played on each. */
function ninetyDays(minutes: number, count: number) {
  const random = seededRandom(11);
  const logs = new Map<string, Pick<LogEntry, 'at' | 'rounds' | 'clean' | 'tempo'>[]>();
  const skill = Array.from({ length: count }, () => 0.3 + random.next() * 0.6);
  const days: { total: number; ids: readonly string[]; lastDueLeft: number }[] = [];
  for (let day = 0; day < 90; day += 1) {
    const now = START + day * DAY;
    const items = skill.map((_, i) => {
      const entries = logs.get(`${i}`) ?? [];
      return {
        id: `${i}`,
        minutes: 3 + (i % 4),
        set: i === 0 && day < 7,
        isSong: i % 6 === 5,
        ...scheduleOf(entries),
      };
    });
    const plan = planDay(items, minutes, { now, began: now - DAY / 2 }).rows;
    for (const { id } of plan) {
      const clean = Math.round(10 * Math.min(1, skill[Number(id)]! + random.next() * 0.3));
      logs.set(id, [...(logs.get(id) ?? []), played(day, clean)]);
      skill[Number(id)]! += 0.02;
    }
    const late = items.filter(({ due }) => due !== undefined && due < now - 7 * DAY).length;
    days.push({
      total: plan.reduce((sum, one) => sum + one.minutes, 0),
      ids: plan.map(({ id }) => id),
      lastDueLeft: late,
    });
  }
  return days;
}

test('what is not as fast yet as it is wanted comes again within four days', () => {
  const good = [0, 3, 9, 20].map((day) => played(day, 10));
  const wait = (wanted: number) => {
    const { due, last } = scheduleOf(good, wanted);
    return Math.round((due! - last!) / DAY);
  };
  expect(wait(0)).toBeGreaterThan(7);
  expect(wait(80)).toBe(wait(0));
  expect(wait(81)).toBe(4);
});

test('over ninety days what is due comes, nothing starves and no day is overfull', () => {
  const days = ninetyDays(40, 12);
  for (const { total } of days) expect(total).toBeLessThanOrEqual(40);
  for (let item = 0; item < 12; item += 1) {
    const on = days.flatMap(({ ids }, day) => (ids.includes(`${item}`) ? [day] : []));
    expect(on.length).toBeGreaterThan(4);
    const gaps = on.slice(1).map((day, i) => day - on[i]!);
    // Three weeks is the longest anything waits by itself.
    expect(Math.max(...gaps)).toBeLessThanOrEqual(22);
  }
  expect(days.every(({ lastDueLeft }) => lastDueLeft === 0)).toBe(true);
  for (let day = 0; day < 7; day += 1) expect(days[day]!.ids).toContain('0');
});

test('with less time than all of it needs, what waits longest still gets its turn', () => {
  const days = ninetyDays(10, 14);
  for (const { total } of days) expect(total).toBeLessThanOrEqual(10);
  for (let item = 0; item < 14; item += 1)
    expect(days.filter(({ ids }) => ids.includes(`${item}`)).length).toBeGreaterThan(1);
});
