import 'reflect-metadata';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { NestExpressApplication } from '@nestjs/platform-express';
import request from 'supertest';
import { families, specFromPreset } from '@same-song/core/instruments';
import { defaultQuestion } from '@same-song/core/route';
import { readConfig } from '../src/config.ts';
import { createApp } from '../src/createApp.ts';

/** A server on a database of its own, gone with `stop`. */
export interface TestServer {
  readonly app: NestExpressApplication;
  readonly folder: string;
  stop(): Promise<void>;
}

export async function startServer(
  env: Record<string, string> = {},
  folder = temporaryFolder(),
): Promise<TestServer> {
  const app = await createApp(readConfig({ SAME_SONG_DB: join(folder, 'test.sqlite'), ...env }));
  await app.listen(0, '127.0.0.1');
  const server = { app, folder, stop: once(() => app.close()) };
  running.add(server);
  return server;
}

const running = new Set<TestServer>();

/** A test that fails before it stops its server would keep all tests from ending. */
afterEach(async () => {
  for (const server of running) await server.stop();
  running.clear();
});

function once(act: () => Promise<void>): () => Promise<void> {
  let done: Promise<void> | undefined;
  return () => (done ??= act());
}

const folders: string[] = [];
process.on('exit', () => folders.forEach((folder) => rmSync(folder, { recursive: true, force: true })));

export function temporaryFolder(): string {
  const folder = mkdtempSync(join(tmpdir(), 'same-song-'));
  folders.push(folder);
  return folder;
}

/** A sound instrument to send. */
export function harmonica(name = 'F harmonica', preset = '65') {
  return { ...specFromPreset('diatonic', preset), name };
}

/** A question to keep, but for its instrument. */
export const QUESTION = { name: 'Warm-up', question: defaultQuestion(families.diatonic) };

/** An entry of the log to send: five minutes of a scale. */
export const logEntry = (id: string) => ({
  id,
  entry: id,
  revision: 1,
  at: '2026-05-04T17:30:00.000Z',
  name: 'Scale',
  itemId: '',
  personId: '',
  instrumentId: '',
  minutes: 5,
  tempo: 80,
  rounds: 3,
  clean: 2,
  keys: [2],
  ways: {},
  note: '',
});

/** A server of its own for each test of a file, and what the tests ask of it. */
export function serverForEach() {
  let server: TestServer;
  beforeEach(async () => {
    server = await startServer();
  });
  afterEach(() => server.stop());
  const api = () => request(server.app.getHttpServer());
  return {
    api,
    server: () => server,
    /** What a list shows. */
    listed: async (path: string) => (await api().get(`/api/${path}`).expect(200)).body.items as object[],
    /** A harmonica put into the cabinet. */
    async added(name?: string, preset?: string) {
      const { body } = await api().post('/api/instruments').send(harmonica(name, preset)).expect(201);
      return body as { id: string; version: number; name: string };
    },
  };
}
