import { openInstrument, specFromPreset } from '../instrument/instrument.ts';
import { expectOk } from '../result.ts';
import { daysWhere } from './days.ts';
import { checkLogEntry, type LogEntry } from './log.ts';
import { shares, soundReport, timeWords } from './soundReport.ts';
import { waysTogether, type WaySound } from '../ear/waySound.ts';

const harmonica = expectOk(openInstrument(specFromPreset('diatonic', '60')));
const ID = '00000000-0000-4000-8000-000000000001';
const sound = (times: number, cents: number, more: Partial<WaySound> = {}): WaySound => ({
  times,
  cents,
  sharp: 0,
  flat: 0,
  ms: 0,
  early: 0,
  late: 0,
  ...more,
});
const entry = (at: string, ways: LogEntry['ways'], instrumentId = ID): LogEntry => ({
  entry: ID,
  revision: 1,
  at,
  name: 'Drill',
  itemId: '',
  personId: '',
  instrumentId,
  minutes: 3,
  tempo: 60,
  rounds: 1,
  clean: 0,
  keys: [],
  ways,
  note: '',
});
const report = (...entries: LogEntry[]) =>
  soundReport(entries, harmonica, ID, { today: '2026-05-14', weeks: 3, dayOf: daysWhere(() => 120) });

test('means are weighed by how often each was heard', () => {
  const ways = waysTogether(
    {
      '4b': { played: 3, missed: 1, sound: sound(3, 10, { sharp: 2, ms: 40, late: 1 }) },
      '5b': { played: 1, missed: 0 },
    },
    {
      '4b': { played: 1, missed: 0, sound: sound(1, -6, { ms: -20, flat: 1 }) },
      '6b': { played: 2, missed: 2 },
    },
  );
  expect(ways).toEqual({
    '4b': { played: 4, missed: 1, sound: sound(4, 6, { sharp: 2, flat: 1, ms: 25, late: 1 }) },
    '5b': { played: 1, missed: 0 },
    '6b': { played: 2, missed: 2 },
  });
});

test('by way, by hole, by technique, over weeks', () => {
  const told = report(
    entry('2026-05-13T10:00:00Z', {
      '4b': { played: 2, missed: 0, sound: sound(2, 4) },
      '4d1': { played: 2, missed: 1, sound: sound(2, -20, { flat: 2 }) },
      gone: { played: 1, missed: 0, sound: sound(1, 50, { sharp: 1 }) },
    }),
    // A Sunday night in UTC is Monday where it is two hours later.
    entry('2026-05-03T22:30:00Z', { '4b': { played: 6, missed: 0, sound: sound(6, 8, { sharp: 3 }) } }),
    entry('2026-05-13T11:00:00Z', { '4b': { played: 9, missed: 0, sound: sound(9, 40) } }, 'another'),
    entry('2026-01-01T11:00:00Z', { '5b': { played: 9, missed: 0, sound: sound(9, 1) } }),
    entry('2026-05-13T12:00:00Z', { '6b': { played: 1, missed: 0 } }),
  );
  expect(told.ways.map(({ id, sound: { times, cents } }) => [id, times, cents])).toEqual([
    ['4b', 8, 7],
    ['4d1', 2, -20],
    ['5b', 9, 1],
  ]);
  expect(told.places.map(({ label, sound: { cents, flat } }) => [label, cents, flat])).toEqual([
    ['4', 1.6, 2],
    ['5', 1, 0],
  ]);
  expect(told.techniques.map(({ label, sound: { times } }) => [label, times])).toEqual([
    ['plain notes', 17],
    ['shallow bends', 2],
  ]);
  expect(told.weeks).toEqual([
    { monday: '2026-04-27', sound: undefined },
    { monday: '2026-05-04', sound: sound(6, 8, { sharp: 3 }) },
    { monday: '2026-05-11', sound: sound(4, -8, { flat: 2 }) },
  ]);
  expect(told.whole!.times).toBe(19);
  expect(shares(told.weeks[1]!.sound!)).toEqual({ inTune: 0.5, inTime: 1 });
  expect(report()).toEqual({
    whole: undefined,
    ways: [],
    places: [],
    techniques: [],
    weeks: expect.anything(),
  });
});

test.each([
  [0, 'in time'],
  [-29, 'in time'],
  [42.4, '42 ms late'],
  [-120, '120 ms early'],
])('%d ms are %s', (ms, words) => {
  expect(timeWords(ms)).toBe(words);
});

test('a log takes how ways sounded, and nothing that is none', () => {
  const check = (told: object) =>
    checkLogEntry({
      ...entry('2026-05-13T10:00:00Z', {}),
      ways: { '4b': { played: 1, missed: 0, sound: told } },
    });
  expect(check(sound(1, -20, { ms: -40.5 })).ok).toBe(true);
  const { late: _, ...unfinished } = sound(1, 1);
  for (const [field, wrong] of [
    ['late', unfinished],
    ['times', sound(1.5, 0)],
    ['cents', sound(1, NaN)],
    ['cents', sound(1, 1e9)],
    ['late', { ...sound(1, 1), late: -1 }],
  ] as const)
    expect(check(wrong)).toMatchObject({ ok: false, problems: [{ field: `ways.4b.sound.${field}` }] });
});
