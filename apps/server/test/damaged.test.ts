import request from 'supertest';
import { Sequelize } from 'sequelize-typescript';
import { DEFAULT_SETTINGS } from '@same-song/core';
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
