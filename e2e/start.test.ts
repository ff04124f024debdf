import { chmodSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { specFromPreset } from '@same-song/core/instruments';
import { startServer } from '../scripts/lib/server.mjs';

const folder = mkdtempSync(join(tmpdir(), 'same-song-start-'));
const database = join(folder, 'start.sqlite');
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const post = (address: string, name: string) =>
  fetch(`${address}/api/instruments`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ ...specFromPreset('diatonic', '58'), name }),
  });

/** Takes a port for the length of a test. */
async function taken(work: (port: number) => Promise<void>): Promise<void> {
  const server = createServer();
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  try {
    await work((server.address() as { port: number }).port);
  } finally {
    await new Promise((resolve) => server.close(resolve));
  }
}

test('a killed process loses nothing that was acknowledged', async () => {
  const first = await startServer({ SAME_SONG_DB: database, PORT: '0' });
  const kept: string[] = [];
  const writes = Array.from({ length: 120 }, async (_, i) => {
    const answer = await post(first.address, `write ${i}`).catch(() => undefined);
    if (answer?.status === 201) kept.push(`write ${i}`);
    if (kept.length === 40) await first.stop('SIGKILL');
  });
  await Promise.all(writes);
  expect(kept.length).toBeGreaterThanOrEqual(40);
  const second = await startServer({ SAME_SONG_DB: database, PORT: '0' });
  const { items: list } = (await (await fetch(`${second.address}/api/instruments`)).json()) as {
    items: { title: string }[];
  };
  await second.stop();
  expect(list.map((i) => i.title)).toEqual(expect.arrayContaining(kept));
});

test('a port that is taken and was asked for is told; one that was not is passed over', async () => {
  await taken(async (port) => {
    await expect(startServer({ SAME_SONG_DB: database, PORT: String(port) })).rejects.toThrow(
      /Port \d+ is taken.*Set PORT/s,
    );
  });
});

test.each([
  ['PORT', 'nine', /PORT must be a whole number/],
  ['REQUESTS_PER_MINUTE', '0', /REQUESTS_PER_MINUTE must be/],
])('a wrong %s is told', async (name, value, message) => {
  await expect(startServer({ SAME_SONG_DB: database, PORT: '0', [name]: value })).rejects.toThrow(message);
});

test('a read-only or damaged database file stops the start with what to do', async () => {
  chmodSync(database, 0o444);
  await expect(startServer({ SAME_SONG_DB: database, PORT: '0' })).rejects.toThrow(/read-only/);
  chmodSync(database, 0o644);
  const damaged = join(folder, 'damaged.sqlite');
  writeFileSync(damaged, 'no database here '.repeat(400));
  await expect(startServer({ SAME_SONG_DB: damaged, PORT: '0' })).rejects.toThrow(/not a sound database/);
});

test('only this machine is answered, unless HOST says otherwise', async () => {
  const server = await startServer({ SAME_SONG_DB: database, PORT: '0' });
  expect(new URL(server.address).hostname).toBe('127.0.0.1');
  const port = new URL(server.address).port;
  await expect(fetch(`http://[::1]:${port}/api/health`)).rejects.toThrow();
  await server.stop();
});
