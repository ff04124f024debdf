/** What a client may not do: hold others up, be answered at endless length, or bring the server to an error of its own. */
import { readFileSync } from 'node:fs';
import { connect } from 'node:net';
import { join } from 'node:path';
import { randomUUID } from 'node:crypto';
import request from 'supertest';
import { DEFAULT_SETTINGS, EXCHANGE_FORMAT, EXCHANGE_VERSION, type ErrorBody } from '@same-song/core/records';
import { DEEPEST } from '../src/common/bodyDepth.guard.ts';
import { PROBLEMS_TOLD } from '../src/common/errors.ts';
import { harmonica, serverForEach, startServer } from './server.ts';

const { api } = serverForEach();

const nested = (depth: number) => '['.repeat(depth) + ']'.repeat(depth);
const fileOf = (instruments: readonly object[]) => ({
  format: EXCHANGE_FORMAT,
  version: EXCHANGE_VERSION,
  instruments,
  questions: [],
  progressions: [],
  layouts: [],
  tags: [],
  songs: [],
  arrangements: [],
  people: [],
  items: [],
  routines: [],
  log: [],
  settings: DEFAULT_SETTINGS,
});

test('whatever a client sends, the fault is told as its own', async () => {
  const json = (path: string, body: string, type = 'application/json') =>
    api().post(path).set('Content-Type', type).send(body);
  const answers = await Promise.all([
    json('/api/instruments', `{"layout":${nested(60_000)}}`),
    json('/api/data/import?apply=true', nested(200_000)),
    json('/api/instruments', '{"name":"\\ud800"}'),
    json('/api/instruments', '[1,2'),
    json('/api/instruments', '"text"'),
    json('/api/instruments', '{}', 'application/json; charset=klingon'),
    json('/api/instruments', '{}', 'text/plain'),
    json('/api/instruments', `{"name":"${'x'.repeat(300_000)}"}`),
    json(
      '/api/instruments',
      JSON.stringify({ ...harmonica(), capability: { 'draw-bend': Array(9000).fill('99') } }),
    ),
    json('/api/data/import?apply=maybe', '{}'),
    json('/api/questions', '{"instrumentId":{"$gt":""},"name":"x","question":{}}'),
    api().get('/api/instruments/%E0%A4%A'),
    api().get('/api/instruments/%00'),
    api().get('/api/instruments?limit=1e309'),
    api().get('/api/instruments?after[]=1&after[]=2'),
    api().get('/api/instruments?which=__proto__'),
    api().get(`/api/instruments/contents?ids=${Array(200).fill(randomUUID()).join(',')}`),
    api()
      .put(`/api/instruments/${randomUUID()}`)
      .send({ version: Number.MAX_SAFE_INTEGER + 1 }),
    api().delete(`/api/instruments/${randomUUID()}?version=-1`),
    api()
      .put('/api/settings')
      .send({ value: nested(5), version: 0 }),
  ]);
  for (const { status, body } of answers) {
    expect(status).toBeGreaterThanOrEqual(400);
    expect(status).toBeLessThan(500);
    expect(body).toMatchObject({ status, code: expect.any(String), message: expect.any(String) });
  }
});

test('a body is refused one level deeper than any may be', async () => {
  const sent = async (depth: number, path = '/api/layouts') =>
    (await api().post(path).set('Content-Type', 'application/json').send(nested(depth))).body as ErrorBody;
  expect(await sent(DEEPEST + 1)).toEqual({
    status: 400,
    code: 'bad-request',
    message: expect.stringMatching(/nested more than 24 deep/) as string,
    problems: [],
  });
  for (const path of ['/api/data/import', '/api/changes', '/api/files/write', '/api/songs'])
    expect((await sent(DEEPEST + 1, path)).status).toBe(400);
  expect((await sent(DEEPEST)).message).not.toMatch(/nested/);
});

test('of a file full of mistakes only so many are told', async () => {
  const instruments = Array.from({ length: 500 }, () => ({ ...harmonica(), id: randomUUID(), a4: -1 }));
  const { body } = await api().post('/api/data/import?apply=true').send(fileOf(instruments)).expect(422);
  expect(body.problems).toHaveLength(PROBLEMS_TOLD);
});

test('a large import leaves the server answering others', async () => {
  const instruments = Array.from({ length: 1500 }, (_, i) => ({
    ...harmonica(`No. ${i}`),
    id: randomUUID(),
  }));
  let going = true;
  const waits: number[] = [];
  const others = (async () => {
    while (going) {
      const begin = performance.now();
      await api().get('/api/instruments?limit=1').expect(200);
      waits.push(performance.now() - begin);
    }
  })();
  const begin = performance.now();
  await api().post('/api/data/import?apply=true').send(fileOf(instruments)).expect(200);
  const whole = performance.now() - begin;
  going = false;
  await others;
  expect(waits.length).toBeGreaterThan(5);
  // Held up, somebody would wait for all of it, on a fast machine as on a slow one.
  expect(Math.max(...waits)).toBeLessThan(whole / 2);
  const { body } = await api().get('/api/instruments?limit=1000').expect(200);
  expect(body.items).toHaveLength(1000);
}, 30_000);

test('answers of the API are kept by no cache', async () => {
  expect((await api().get('/api/instruments')).headers['cache-control']).toBe('no-store');
  expect((await api().get('/api/nothing')).headers['cache-control']).toBe('no-store');
  expect((await api().get('/api/health')).body).toEqual({ ok: true });
});

test('once nothing was written for a while the file alone holds everything', async () => {
  const { app, folder } = await startServer();
  await request(app.getHttpServer()).post('/api/instruments').send(harmonica('Quay, kept whole')).expect(201);
  const file = join(folder, 'test.sqlite');
  expect(readFileSync(file).includes('Quay, kept whole')).toBe(false);
  const end = Date.now() + 8_000;
  while (!readFileSync(file).includes('Quay, kept whole') && Date.now() < end)
    await new Promise((later) => setTimeout(later, 100));
  expect(readFileSync(file).includes('Quay, kept whole')).toBe(true);
}, 15_000);

test('who sends too slowly is cut off', async () => {
  const { app } = await startServer();
  const server = app.getHttpServer() as {
    headersTimeout: number;
    requestTimeout: number;
    address(): { port: number };
  };
  expect([server.headersTimeout, server.requestTimeout]).toEqual([10_000, 30_000]);
  server.headersTimeout = 200;
  const socket = connect(server.address().port, '127.0.0.1');
  socket.write('GET /api/health HTTP/1.1\r\nHost: 127.0.0.1\r\nX-Slow: ');
  const said = await new Promise<string>((resolve) => {
    let text = '';
    socket.on('data', (data) => (text += String(data)));
    socket.on('close', () => resolve(text));
  });
  expect(said).toContain('408');
  await request(app.getHttpServer()).get('/api/health').expect(200);
}, 15_000);
