import { Logger, type ArgumentsHost } from '@nestjs/common';
import request from 'supertest';
import { Sequelize } from 'sequelize-typescript';
import { DEFAULT_SETTINGS } from '@same-song/core/records';
import { ErrorFilter } from '../src/common/error.filter.ts';
import { harmonica, startServer } from './server.ts';

test('one damaged row is shown as such; all others are read, exported, and an import puts it right', async () => {
  const { app } = await startServer();
  const api = () => request(app.getHttpServer());
  const add = async (name: string) =>
    (await api().post('/api/instruments').send(harmonica(name)).expect(201)).body as { id: string };
  const [sound, damaged] = [await add('Sound'), await add('Damaged')];
  const whole = (await api().get('/api/data/export').expect(200)).body as object;
  const damage = (sql: string) => app.get(Sequelize).query(sql);
  await damage(`UPDATE records SET content = substr(content, 9) WHERE id = '${damaged.id}'`);

  expect((await api().get('/api/instruments').expect(200)).body.items).toEqual([
    { id: sound.id, version: 1, title: 'Sound', family: 'diatonic' },
    { id: damaged.id, version: 1, title: 'Damaged', family: null, broken: true },
  ]);
  const both = `/api/instruments/contents?ids=${sound.id},${damaged.id}`;
  expect((await api().get(both).expect(200)).body).toMatchObject([{ name: 'Sound' }]);
  expect((await api().get(`/api/instruments/${damaged.id}`).expect(422)).body.code).toBe('broken');
  expect((await api().get('/api/data/export').expect(200)).body.instruments).toMatchObject([
    { name: 'Sound' },
  ]);

  const report = (await api().post('/api/data/import?apply=true').send(whole).expect(200)).body as object;
  expect(report).toMatchObject({ instruments: { added: [], changed: ['Damaged'], same: 1 } });
  expect((await api().get(`/api/instruments/${damaged.id}`).expect(200)).body).toMatchObject({
    name: 'Damaged',
  });
});

test('damaged settings are the defaults, and can be set again', async () => {
  const { app } = await startServer();
  const api = () => request(app.getHttpServer());
  const value = { ...DEFAULT_SETTINGS, theme: 'stage' };
  await api().put('/api/settings').send({ value, version: 0 }).expect(200);
  await app.get(Sequelize).query("UPDATE settings SET value = '{\"theme'");
  expect((await api().get('/api/settings').expect(200)).body).toEqual({
    value: DEFAULT_SETTINGS,
    version: 1,
  });
  await api().put('/api/settings').send({ value, version: 1 }).expect(200);
});

test('a damaged record can be put into the bin', async () => {
  const { app } = await startServer();
  const api = () => request(app.getHttpServer());
  const { id } = (await api().post('/api/instruments').send(harmonica()).expect(201)).body as { id: string };
  await app.get(Sequelize).query("UPDATE records SET content = 'null'");
  await api().delete(`/api/instruments/${id}?version=1`).expect(200);
  expect((await api().get('/api/instruments')).body.items).toEqual([]);
});

test.each([
  [
    'SQLITE_FULL: database or disk is full',
    507,
    'The disk is full: nothing was saved. Make room, then try again.',
  ],
  [
    'ENOSPC: no space left on device, write',
    507,
    'The disk is full: nothing was saved. Make room, then try again.',
  ],
  [
    'SQLITE_READONLY: attempt to write a readonly database',
    507,
    'The database file has become read-only: nothing was saved.',
  ],
  [
    'SQLITE_BUSY: database is locked',
    507,
    'Another program holds the database file: nothing was saved. Close it there, then try again.',
  ],
  ['SQLITE_IOERR: disk I/O error', 507, 'The database file cannot be read or written: nothing was saved.'],
  [
    'Cannot read properties of undefined',
    500,
    'Something went wrong on the server. Nothing was saved; the log tells more.',
  ],
])('a write that fails with “%s” is a %d that says what to do', (text, status, message) => {
  const answered: object[] = [];
  const response = {
    headersSent: false,
    status: (given: number) => ({ json: (body: object) => answered.push({ ...body, given }) }),
  };
  const log = jest.spyOn(Logger.prototype, 'error').mockImplementation(() => undefined);
  const host = { switchToHttp: () => ({ getResponse: () => response }) } as unknown as ArgumentsHost;
  new ErrorFilter().catch(new Error(text), host);
  expect(answered).toMatchObject([{ given: status, status, message, problems: [] }]);
  expect(String(log.mock.calls[0]![0])).toContain(text);
  log.mockRestore();
});
