import { roomMeter } from './roomMeter.ts';

/** Power of a level in decibels. */
const power = (decibels: number) => 10 ** (decibels / 10);

/** What is said after so many seconds of one kind of sound, told ten times a second. */
function after(seconds: number, told: { decibels: number; peak: number; now: number | null }) {
  const meter = roomMeter();
  let said = meter({ power: power(told.decibels), peak: told.peak, now: told.now, heard: 0 });
  for (let heard = 0.1; heard <= seconds; heard += 0.1)
    said = meter({ power: power(told.decibels), peak: told.peak, now: told.now, heard });
  return said;
}

test.each([
  ['a note', 6, { decibels: -25, peak: 0.3, now: 60 }, 'well'],
  ['a note that is cut', 0.5, { decibels: -3, peak: 0.99, now: 60 }, 'loud'],
  ['nothing at all for three seconds', 3, { decibels: -90, peak: 0, now: null }, 'well'],
  ['nothing at all for five', 5, { decibels: -90, peak: 0, now: null }, 'dead'],
  ['hardly anything for five', 5, { decibels: -60, peak: 0.001, now: null }, 'quiet'],
  ['a loud room without a note', 5, { decibels: -20, peak: 0.1, now: null }, 'noisy'],
] as const)('%s', (_, seconds, told, room) => {
  expect(after(seconds, told).room).toBe(room);
});

test('levels are shown from −60 dB on', () => {
  expect(after(1, { decibels: -60, peak: 0.01, now: 60 }).level).toBeCloseTo(0, 3);
  expect(after(1, { decibels: -30, peak: 0.1, now: 60 }).level).toBeCloseTo(0.5, 3);
});
