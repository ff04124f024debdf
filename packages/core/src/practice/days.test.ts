import { daysBetween, daysWhere, mondayOf } from './days.ts';
import { checkLogEntry, currentEntries, type LogEntry } from './log.ts';
import { planDay, type PlannedFrom } from './plan.ts';
import { minutesByDay, minutesByKey, tempoCourses, waysOf, weightOf } from './progress.ts';
import { expectOk } from '../result.ts';

const DAY = 86_400_000;
/** A day on which what is due comes before what is new. */
const NOW = Date.parse('2026-05-05T18:00:00Z');
const uuid = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const item = (id: string, changes: Partial<PlannedFrom> = {}): PlannedFrom => ({
  id,
  minutes: 5,
  set: false,
  isSong: false,
  due: undefined,
  last: undefined,
  ...changes,
});
const at = (now: number) => ({ now, began: now - 18 * 3_600_000 });
const told = (plan: ReturnType<typeof planDay>) =>
  plan.rows.map(({ id, minutes, why }) => `${id} ${minutes} ${why}`);

test('first what is set, then what has waited longest, something new, and a song to end with', () => {
  const items = [
    item('song', { isSong: true, due: NOW - DAY, last: NOW - 3 * DAY }),
    item('new one'),
    item('new two'),
    item('late', { due: NOW - DAY, last: NOW - 2 * DAY }),
    item('later', { due: NOW - 4 * DAY, last: NOW - 9 * DAY }),
    item('not yet', { due: NOW + DAY, last: NOW - 2 * DAY }),
    item('set', { set: true }),
  ];
  expect(told(planDay(items, 30, at(NOW)))).toEqual([
    ...['set 5 set', 'later 5 due', 'late 5 due', 'new one 5 new', 'not yet 5 again', 'song 5 song'],
  ]);
  expect(planDay(items, 30, at(NOW)).rows[1]!.overdue).toBe(4);
  // Half of it: what waits longest still comes, and the song.
  expect(told(planDay(items, 15, at(NOW)))).toEqual(['set 5 set', 'later 5 due', 'song 5 song']);
});

test('every third day what is new has the first turn, so that it comes where time never suffices', () => {
  const items = [item('new one'), item('late', { due: NOW - 9 * DAY, last: NOW - 12 * DAY })];
  const first = [0, 1, 2].map((day) => planDay(items, 5, at(NOW + day * DAY)).rows[0]!.id);
  expect(first.filter((id) => id === 'new one')).toHaveLength(1);
});

test('no day is longer than the minutes at hand, and what was played just now does not come again', () => {
  const items = Array.from({ length: 40 }, (_, i) =>
    item(`${i}`, {
      minutes: 1 + (i % 9),
      set: i % 7 === 0,
      isSong: i % 5 === 0,
      due: NOW - i * DAY,
      last: NOW - 20 * DAY,
    }),
  );
  for (const minutes of [5, 7, 12, 20, 45, 90]) {
    const { rows, free, leftOut } = planDay(items, minutes, at(NOW));
    expect(rows.reduce((sum, one) => sum + one.minutes, free)).toBe(minutes);
    const ids = [...rows.map(({ id }) => id), ...leftOut];
    expect(new Set(ids).size).toBe(ids.length);
    expect(rows.length).toBeGreaterThan(0);
    // All homework is either played or said to be left out.
    for (const { id, set } of items) if (set) expect(ids).toContain(id);
  }
  const played = items.map((one) => ({ ...one, last: NOW - 60_000, due: NOW + DAY }));
  expect(planDay(played, 20, at(NOW))).toEqual({ rows: [], leftOut: [], free: 20 });
  expect(planDay([], 20, at(NOW)).rows).toEqual([]);
  // What was played late last night was not played today.
  const night = [item('set', { set: true, last: at(NOW).began - 60_000, due: NOW + DAY })];
  expect(told(planDay(night, 20, at(NOW)))).toEqual(['set 5 set']);
});

test('homework comes in turn, what was played longest ago first, and what does not fit is told', () => {
  const names = ['a', 'b', 'c', 'd'];
  const last = new Map<string, number>();
  const days = [0, 1, 2, 3].map((day) => {
    const now = NOW + day * DAY;
    const set = names.map((id) =>
      item(id, { set: true, last: last.get(id), due: last.get(id) && now + DAY }),
    );
    const plan = planDay(set, 10, at(now));
    for (const { id } of plan.rows) last.set(id, now);
    return [plan.rows.map(({ id }) => id).join(''), plan.leftOut.join('')];
  });
  expect(days).toEqual([
    ['ab', 'cd'],
    ['cd', 'ab'],
    ['ab', 'cd'],
    ['cd', 'ab'],
  ]);
  // A shorter one behind a long one that does not fit still comes.
  const long = [item('long', { set: true, minutes: 5 }), item('short', { set: true, minutes: 1 })];
  expect(planDay([item('first', { set: true, minutes: 4 }), ...long], 5, at(NOW))).toEqual({
    rows: [
      { id: 'first', minutes: 4, why: 'set', overdue: 0 },
      { id: 'short', minutes: 1, why: 'set', overdue: 0 },
    ],
    leftOut: ['long'],
    free: 0,
  });
});

const entry = (n: number, changes: Partial<LogEntry> = {}): LogEntry => ({
  entry: uuid(n),
  revision: 1,
  at: '2026-05-04T17:30:00.000Z',
  name: 'Blues',
  itemId: uuid(1),
  personId: '',
  instrumentId: uuid(2),
  minutes: 6,
  tempo: 60,
  rounds: 4,
  clean: 3,
  keys: [10],
  ways: {},
  note: '',
  ...changes,
});

test('of several tellings of an entry the last holds; what was put away is gone', () => {
  const list = [
    entry(1, { at: '2026-05-05T10:00:00.000Z' }),
    entry(2),
    entry(2, { revision: 3, minutes: 9 }),
    entry(2, { revision: 2, minutes: 8 }),
    entry(3),
    entry(3, { revision: 2, gone: true }),
  ];
  expect(currentEntries(list).map(({ entry: id, minutes }) => [id, minutes])).toEqual([
    [uuid(2), 9],
    [uuid(1), 6],
  ]);
});

test.each([
  ['entry', 'x'],
  ['revision', 0],
  ['at', 'yesterday'],
  ['at', '2026-13-44T99:00:00Z'],
  ['minutes', -1],
  ['minutes', Number.NaN],
  ['tempo', '60'],
  ['clean', 5],
  ['itemId', 'no id'],
  ['name', ''],
  ['gone', 'yes'],
])('an entry with %s %p is refused at that field', (field, value) => {
  const checked = checkLogEntry({ ...entry(1), [field]: value });
  expect(checked).toMatchObject({ ok: false, problems: [{ field }] });
});

test('a wrong value within a list is refused at its place', () => {
  const problems = (change: object) => checkLogEntry({ ...entry(1), ...change });
  expect(problems({ keys: [3, 12] })).toMatchObject({ problems: [{ field: 'keys.1' }] });
  expect(problems({ ways: { a: { played: 1 } } })).toMatchObject({ problems: [{ field: 'ways.a.missed' }] });
});

test('an entry may leave out what there was none of', () => {
  const { itemId: _, keys: __, ways: ___, note: ____, ...least } = entry(1);
  expect(expectOk(checkLogEntry({ ...least }))).toMatchObject({ itemId: '', keys: [], ways: {}, note: '' });
});

test('days are those where the player lives, and days without anything are there too', () => {
  expect(daysWhere(() => 120)('2026-05-04T23:30:00Z')).toBe('2026-05-05');
  expect(daysWhere(() => -60)('2026-05-04T00:30:00Z')).toBe('2026-05-03');
  const list = [
    entry(1),
    entry(2, { name: 'Jig', minutes: 10 }),
    entry(3, { at: '2026-05-02T10:00:00Z', minutes: 3 }),
  ];
  expect(minutesByDay(list, { today: '2026-05-05', days: 4, dayOf: daysWhere(() => 0) })).toEqual([
    { day: '2026-05-02', minutes: 3, byName: [{ name: 'Blues', minutes: 3 }] },
    { day: '2026-05-03', minutes: 0, byName: [] },
    {
      day: '2026-05-04',
      minutes: 16,
      byName: [
        { name: 'Jig', minutes: 10 },
        { name: 'Blues', minutes: 6 },
      ],
    },
    { day: '2026-05-05', minutes: 0, byName: [] },
  ]);
});

test('a day is a day where the clock is put back or forward', () => {
  // The clock is put back by an hour on 25 October at 1:00 UTC.
  const dayOf = daysWhere((at) => (at < Date.parse('2026-10-25T01:00:00Z') ? 120 : 60));
  expect(dayOf('2026-10-24T22:30:00Z')).toBe('2026-10-25');
  expect(dayOf('2026-10-25T22:30:00Z')).toBe('2026-10-25');
  expect(dayOf('2026-10-25T23:30:00Z')).toBe('2026-10-26');
  // Half past eleven in the evening after it, the last two days are two, though a day of 24 hours goes back to the 25th.
  const late = entry(1, { at: '2026-10-25T22:45:00Z', minutes: 4 });
  const early = entry(2, { at: '2026-10-24T22:15:00Z', minutes: 5 });
  expect(minutesByDay([late, early], { today: '2026-10-25', days: 2, dayOf })).toMatchObject([
    { day: '2026-10-24', minutes: 0 },
    { day: '2026-10-25', minutes: 9 },
  ]);
  expect(daysBetween('2026-10-24', '2026-10-26')).toBe(2);
  expect(['2026-10-25', '2026-10-26', '2026-11-01'].map(mondayOf)).toEqual([
    '2026-10-19',
    '2026-10-26',
    '2026-10-26',
  ]);
});

test('tempos by item with what was gained; minutes shared among the keys they were played in', () => {
  const list = [
    entry(1, { tempo: 54 }),
    entry(2, { tempo: 66, clean: 4 }),
    entry(3, { itemId: uuid(5) }),
    entry(4, { itemId: uuid(6), tempo: 0 }),
    entry(5, { itemId: uuid(6), tempo: 0, keys: [0, 7], minutes: 4 }),
  ];
  expect(tempoCourses(list)).toEqual([
    {
      itemId: uuid(1),
      name: 'Blues',
      gained: 12,
      points: [
        { at: list[0]!.at, tempo: 54, share: 0.75 },
        { at: list[1]!.at, tempo: 66, share: 1 },
      ],
    },
  ]);
  const keys = minutesByKey(list);
  expect([keys[10], keys[0], keys[7], keys[1]]).toEqual([24, 2, 2, 0]);
});

test('ways are counted for their own instrument, and weak ones weigh more the surer it is', () => {
  const list = [
    entry(1, { ways: { '4b': { played: 3, missed: 1 }, '4d': { played: 1, missed: 0 } } }),
    entry(2, { ways: { '4b': { played: 5, missed: 4 } } }),
    entry(3, { instrumentId: uuid(9), ways: { '4b': { played: 9, missed: 9 } } }),
  ];
  const ways = waysOf(list, uuid(2));
  expect(ways.get('4b')).toEqual({ wayId: '4b', played: 8, missed: 5 });
  expect(ways.size).toBe(2);
  expect(weightOf(undefined)).toBe(1);
  expect(weightOf({ played: 8, missed: 0 })).toBe(1);
  expect(weightOf({ played: 8, missed: 5 })).toBe(3);
  expect(weightOf({ played: 1, missed: 1 })).toBeLessThan(weightOf({ played: 20, missed: 20 }));
});
