import { performance } from 'node:perf_hooks';

/** Median time of a piece of work in ms, after a warm-up; for long work fewer runs. */
export async function medianMs(work, runs = 9) {
  for (let i = 0; i < 2; i += 1) await work();
  const times = [];
  for (let i = 0; i < runs; i += 1) {
    const begin = performance.now();
    await work();
    times.push(performance.now() - begin);
  }
  return times.sort((a, b) => a - b)[Math.floor(times.length / 2)];
}

/** A figure as it is printed: how many times the second thing the first one is. At most 1 keeps within a budget. */
export function ratio(name, value, against) {
  return { name, against, ratio: Number(value.toPrecision(3)) };
}
