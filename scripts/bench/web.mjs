import { readFileSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { performance } from 'node:perf_hooks';
import { brotliCompressSync, constants } from 'node:zlib';
import { ROOT } from '../lib/run.mjs';
import { startServer } from '../lib/server.mjs';
import { ratio } from './measure.mjs';

const DIST = join(ROOT, 'apps/web/dist');
/** A place with its worker. */
const SCRIPT_BUDGET_KB = 300;
const START_BUDGET_MS = 5000;

/** As the server compresses it for a browser. */
const served = (bytes) => brotliCompressSync(bytes, { params: { [constants.BROTLI_PARAM_QUALITY]: 8 } });

/** Compressed script that the first load of a place fetches: the entry, the place, all they import at once, the worker. */
export function sizeRatios() {
  const manifest = JSON.parse(readFileSync(join(DIST, '.vite/manifest.json'), 'utf8'));
  const entry = Object.keys(manifest).find((key) => key.endsWith('.html'));
  const places = Object.keys(manifest).filter((key) => /^src\/(\w+\/)+\w+Page\.tsx$/.test(key));
  const worker = 'src/compute/worker.ts';
  if (!manifest[worker]) throw new Error('no worker among the built files');
  const gathered = (key, seen = new Set()) => {
    if (seen.has(key)) return seen;
    seen.add(key);
    for (const next of manifest[key].imports ?? []) gathered(next, seen);
    return seen;
  };
  return places.map((place) => {
    const parts = [...gathered(entry), ...gathered(place), ...gathered(worker)].map(
      (key) => manifest[key].file,
    );
    const files = new Set(parts);
    const bytes = [...files]
      .filter((file) => file.endsWith('.js'))
      .reduce((sum, file) => sum + served(readFileSync(join(DIST, file))).length, 0);
    return ratio(`script of ${place}`, bytes / 1000 / SCRIPT_BUDGET_KB, `${SCRIPT_BUDGET_KB} kB compressed`);
  });
}

/** From the command to the first answered request, on an empty database. */
export async function startRatio() {
  const folder = mkdtempSync(join(tmpdir(), 'same-song-bench-'));
  try {
    const begin = performance.now();
    const server = await startServer({ SAME_SONG_DB: join(folder, 'bench.sqlite'), PORT: '0' });
    await fetch(`${server.address}/api/health`);
    const took = performance.now() - begin;
    await server.stop();
    return ratio('start to ready', took / START_BUDGET_MS, `${START_BUDGET_MS / 1000} s`);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
