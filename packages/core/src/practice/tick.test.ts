import { tick, TICK_HZ } from './tick.ts';

const RATE = 48_000;
/** Power at a frequency, summed up by hand. */
const powerAt = (samples: Float32Array, hz: number) => {
  const part = (of: (turn: number) => number) =>
    samples.reduce((sum, x, i) => sum + x * of((2 * Math.PI * hz * i) / RATE), 0);
  return part(Math.cos) ** 2 + part(Math.sin) ** 2;
};
/** Power in a band, in steps of 100 Hz. */
const powerIn = (samples: Float32Array, from: number, to: number) =>
  Array.from({ length: Math.round((to - from) / 100) }, (_, i) => powerAt(samples, from + 100 * i)).reduce(
    (sum, power) => sum + power,
    0,
  );

test.each(Object.values(TICK_HZ))('at %d Hz it begins at once and is over soon', (hz) => {
  for (const rate of [8000, 44_100, RATE]) {
    const samples = tick(rate, hz);
    expect(samples).toHaveLength(Math.round(0.02 * rate));
    const loudest = Math.max(...samples.map(Math.abs));
    expect(loudest).toBeLessThanOrEqual(1);
    expect(loudest).toBeGreaterThan(0.8);
    expect(samples.findIndex((x) => Math.abs(x) > 0.3) / rate).toBeLessThan(0.001);
    expect(Math.abs(samples.at(-1)!)).toBeLessThan(0.02);
    // A third is left of it when half of its time is over.
    const later = Math.max(...samples.slice(samples.length / 2).map(Math.abs));
    expect(later).toBeGreaterThan(0.3);
    expect(later).toBeLessThan(0.4);
  }
});

test('it falls from where it begins to a fifth of it', () => {
  // Between two crossings of zero, downward, lies one turn.
  const samples = tick(RATE, TICK_HZ.other);
  const crossings = [...samples.keys()].filter((i) => i > 0 && samples[i - 1]! > 0 && samples[i]! <= 0);
  const turnAt = (i: number) => RATE / (crossings[i + 1]! - crossings[i]!);
  expect(turnAt(0) / 5000).toBeGreaterThan(0.9);
  expect(turnAt(crossings.length - 2) / 1000).toBeLessThan(1.15);
  expect(turnAt(crossings.length - 2) / 1000).toBeGreaterThan(0.95);
});

test('the first of a bar is brighter', () => {
  const share = (hz: number) => {
    const samples = tick(RATE, hz);
    return powerIn(samples, 4000, 9000) / powerIn(samples, 200, 4000);
  };
  expect(share(TICK_HZ.first)).toBeGreaterThan(3 * share(TICK_HZ.other));
});
