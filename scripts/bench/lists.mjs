import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startServer } from '../lib/server.mjs';
import { ratio } from './measure.mjs';

const INSTRUMENTS = 2000;
const QUESTIONS = 10_000;
/** Most of a large file that one request carries. */
const AT_ONCE = 2500;
const TIMES = 300;
const BUDGET_MS = 50;

/** A page of each list, with thousands in it: the time within which 99 of 100 are answered. */
export async function listRatios() {
  const folder = mkdtempSync(join(tmpdir(), 'same-song-bench-'));
  const server = await startServer({
    SAME_SONG_DB: join(folder, 'bench.sqlite'),
    PORT: '0',
    SAME_SONG_DEMO: '1',
  });
  try {
    await fill(server.address);
    const ratios = [];
    for (const kind of ['instruments', 'questions']) {
      const took = await p99(`${server.address}/api/${kind}`);
      ratios.push(ratio(`a page of many ${kind}, 99 of 100`, took / BUDGET_MS, `${BUDGET_MS} ms`));
    }
    return ratios;
  } finally {
    await server.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}

const id = (n) => `10000000-0000-4000-8000-${String(n).padStart(12, '0')}`;

/** What the demo holds, over and over. */
async function fill(address) {
  const demo = await (await fetch(`${address}/api/data/export`)).json();
  const again = (list, i) => list[i % list.length];
  const instruments = Array.from({ length: INSTRUMENTS }, (_, i) => ({
    ...again(demo.instruments, i),
    id: id(i),
  }));
  const place = new Map(demo.instruments.map((one, i) => [one.id, i]));
  const questions = Array.from({ length: QUESTIONS }, (_, i) => {
    const question = again(demo.questions, i);
    return { ...question, id: id(INSTRUMENTS + i), instrumentId: id(place.get(question.instrumentId)) };
  });
  const without = Object.fromEntries(
    Object.entries(demo).map(([name, part]) => [name, Array.isArray(part) ? [] : part]),
  );
  for (let at = 0; at < QUESTIONS; at += AT_ONCE) {
    const answer = await fetch(`${address}/api/data/import?apply=true`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      // What may refer to the demo's own instruments stays out.
      body: JSON.stringify({ ...without, instruments, questions: questions.slice(at, at + AT_ONCE) }),
    });
    if (!answer.ok) throw new Error(`listRatios: the import was refused: ${await answer.text()}`);
  }
}

async function p99(address) {
  const times = [];
  for (let i = 0; i < TIMES; i += 1) {
    const begin = performance.now();
    await (await fetch(address)).text();
    times.push(performance.now() - begin);
  }
  return times.sort((a, b) => a - b)[Math.ceil(0.99 * TIMES) - 1];
}
