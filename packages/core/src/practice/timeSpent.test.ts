import { countTime, NO_TIME_SPENT } from './timeSpent.ts';

const MINUTE = 60_000;

test('a round counts whole, however long it is, and a pause up to two minutes', () => {
  let time = countTime(NO_TIME_SPENT, 5 * MINUTE, true);
  expect(time.ms).toBe(0);
  // A slow air of four minutes.
  time = countTime(time, 9 * MINUTE, false);
  expect(time.ms).toBe(4 * MINUTE);
  time = countTime(time, 10 * MINUTE, true);
  expect(time.ms).toBe(5 * MINUTE);
  // Round and round: told while it goes on.
  time = countTime(time, 13 * MINUTE);
  time = countTime(time, 15 * MINUTE, false);
  expect(time.ms).toBe(10 * MINUTE);
  // Away for an hour.
  time = countTime(time, 75 * MINUTE, true);
  expect(time.ms).toBe(12 * MINUTE);
});

test('a clock that goes back takes nothing away', () => {
  const time = countTime(countTime(NO_TIME_SPENT, 60 * MINUTE, true), 61 * MINUTE);
  expect(countTime(time, 2 * MINUTE)).toMatchObject({ ms: MINUTE, countedTo: 2 * MINUTE });
});
