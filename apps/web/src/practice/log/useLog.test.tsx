import { act, renderHook } from '@testing-library/react';
import { useLog } from './useLog.ts';
import { waitingEntries } from './outbox.ts';

const PLAYED = { name: 'Slow air', itemId: '', personId: '', instrumentId: '' };
const ROUND = { tempo: 54, keys: [2] };
const MINUTE = 60_000;

let now = 0;
const later = (ms: number) => {
  now += ms;
};

/** The log of an item on a clock moved by hand; each entry as it stands. */
function logged() {
  const { result, unmount } = renderHook(() => useLog(PLAYED));
  const run = (what: () => void) => act(what);
  return { log: () => result.current, run, unmount, entries: () => waitingEntries().map((one) => one.entry) };
}

beforeEach(() => {
  now = 1_000;
  jest.spyOn(performance, 'now').mockImplementation(() => now);
  globalThis.fetch = () => Promise.reject(new Error('away'));
});

const minutesOf = (of: ReturnType<typeof logged>) => of.entries().at(-1)!.minutes;

test('a round of four minutes counts four, and the pause after it no more than two', () => {
  const air = logged();
  air.run(() => air.log().begin(ROUND));
  later(4 * MINUTE);
  air.run(() => air.log().rest());
  expect(minutesOf(air)).toBe(4);
  later(30 * MINUTE);
  air.run(() => air.log().told({ clean: true, ...ROUND }));
  expect(minutesOf(air)).toBe(6);
  expect(air.entries().at(-1)).toMatchObject({ rounds: 1, clean: 1, tempo: 54, keys: [2] });
  air.unmount();
});

test('a round that is stopped, or left, has its time; a false start makes no entry', () => {
  const stopped = logged();
  const before = stopped.entries().length;
  stopped.run(() => stopped.log().begin(ROUND));
  later(2_000);
  stopped.run(() => stopped.log().rest());
  expect(stopped.entries()).toHaveLength(before);
  stopped.run(() => stopped.log().begin(ROUND));
  later(90_000);
  stopped.run(() => stopped.log().rest());
  expect(minutesOf(stopped)).toBeCloseTo(1.53);
  expect(stopped.entries().at(-1)!.rounds).toBe(0);
  stopped.run(() => stopped.log().begin(ROUND));
  later(MINUTE);
  stopped.unmount();
  expect(minutesOf(stopped)).toBeCloseTo(2.53);
});

test('a clock of the day that is put back while a round sounds takes nothing away', () => {
  const round = logged();
  const day = jest.spyOn(Date, 'now').mockReturnValue(Date.parse('2026-10-25T02:50:00Z'));
  round.run(() => round.log().begin(ROUND));
  later(10 * MINUTE);
  day.mockReturnValue(Date.parse('2026-10-25T02:00:00Z'));
  round.run(() => round.log().told({ clean: false, ...ROUND }));
  expect(minutesOf(round)).toBe(10);
  day.mockRestore();
  round.unmount();
});
