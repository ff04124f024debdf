/** Everything out to a file and in again. */
import { Ajv2020 } from 'ajv/dist/2020.js';
import addFormats from 'ajv-formats';
import request from 'supertest';
import { EXCHANGE_VERSION } from '@same-song/core/records';
import { harmonica, logEntry, QUESTION, serverForEach, startServer } from './server.ts';

const { api, listed, added } = serverForEach();

describe('the whole data set', () => {
  test('leaves by its published schema and comes back into an empty server as it was', async () => {
    const demo = await startServer({ SAME_SONG_DEMO: '1' });
    const { body: file } = await request(demo.app.getHttpServer()).get('/api/data/export').expect(200);
    const { body: schema } = await request(demo.app.getHttpServer()).get('/api/data/schema').expect(200);
    await demo.stop();
    const ajv = new Ajv2020({ strict: true });
    addFormats.default(ajv);
    const validate = ajv.compile(schema);
    expect(validate(file) ? [] : validate.errors).toEqual([]);
    expect(validate({ ...file, version: EXCHANGE_VERSION + 1 })).toBe(false);

    const preview = (await api().post('/api/data/import?apply=false').send(file).expect(200)).body;
    expect(preview).toMatchObject({
      applied: false,
      // In the demo somebody has begun to practise.
      settings: 'changed',
      questions: { added: expect.arrayContaining(['Reel warm-up']) },
    });
    expect(await listed('instruments')).toEqual([]);
    await api().post('/api/data/import?apply=true').send(file).expect(200);
    expect((await api().get('/api/data/export')).body).toEqual(file);
    const again = (await api().post('/api/data/import?apply=true').send(file).expect(200)).body;
    expect(again.instruments).toEqual({ added: [], changed: [], same: file.instruments.length });
  });

  test('a log of more than ten thousand entries is taken as it was given out', async () => {
    const id = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
    const log = Array.from({ length: 10_001 }, (_, n) => logEntry(id(n)));
    const { body: file } = await api().get('/api/data/export');
    await api()
      .post('/api/data/import?apply=true')
      .send({ ...file, log })
      .expect(200);
    const { body: exported } = await api().get('/api/data/export').expect(200);
    expect(exported.log).toHaveLength(10_001);
    const again = (await api().post('/api/data/import?apply=false').send(exported).expect(200)).body;
    expect(again.log).toEqual({ added: [], changed: [], same: 10_001 });
  });

  test('a file of more than twenty megabytes is read to its end', async () => {
    const { body: file } = await api().get('/api/data/export');
    const long = { ...file, strange: 'x'.repeat(21 * 1024 * 1024) };
    const answer = await api().post('/api/data/import?apply=false').send(long).expect(422);
    expect(answer.body.problems).toMatchObject([{ field: 'strange' }]);
  });

  test('a file with one wrong record changes nothing at all', async () => {
    const { id } = await added('Mine');
    const { body: file } = await api().get('/api/data/export');
    const renamed = { ...file.instruments[0], name: 'Renamed' };
    const broken = { ...renamed, id: id.replace(/^./, (c: string) => (c === 'a' ? 'b' : 'a')), a4: 1 };
    const answer = await api()
      .post('/api/data/import?apply=true')
      .send({ ...file, instruments: [renamed, broken] })
      .expect(422);
    expect(answer.body.problems[0].field).toBe('instruments.1.a4');
    expect((await api().get(`/api/instruments/${id}`)).body.name).toBe('Mine');
  });

  test('an import brings a binned record back and says what it changes', async () => {
    const { id } = await added('Mine');
    const { body: file } = await api().get('/api/data/export');
    await api().delete(`/api/instruments/${id}?version=1`).expect(200);
    const report = (await api().post('/api/data/import?apply=true').send(file).expect(200)).body;
    expect(report.instruments.changed).toEqual(['Mine']);
    await api().get(`/api/instruments/${id}`).expect(200);
  });

  test('what lies in the bin stays behind, and so do the questions of an instrument that lies there', async () => {
    const [kept, binned] = [await added('Kept'), await added('Binned')];
    for (const { id } of [kept, binned])
      await api()
        .post('/api/questions')
        .send({ ...QUESTION, instrumentId: id })
        .expect(201);
    await api().delete(`/api/instruments/${binned.id}?version=1`).expect(200);
    const { body: file } = await api().get('/api/data/export').expect(200);
    expect(file.instruments).toMatchObject([{ id: kept.id }]);
    expect(file.questions).toMatchObject([{ instrumentId: kept.id }]);
  });

  test('an import raises the version of what it changes, and of nothing else', async () => {
    const [one, two] = [await added('One'), await added('Two')];
    const { body: file } = await api().get('/api/data/export');
    const changed = {
      ...file,
      instruments: [{ ...file.instruments[0], name: 'First' }, file.instruments[1]],
    };
    const report = (await api().post('/api/data/import?apply=true').send(changed).expect(200)).body;
    expect(report.instruments).toEqual({ added: [], changed: ['First'], same: 1 });
    const versions = [one, two].map(
      async ({ id }) => (await api().get(`/api/instruments/${id}`)).body.version,
    );
    expect(await Promise.all(versions)).toEqual([2, 1]);
  });

  test('what an import would change is told first, settings too, and nothing is changed by asking', async () => {
    const { body: file } = await api().get('/api/data/export');
    const wanted = {
      ...file,
      instruments: [{ ...harmonica('New'), id: '00000000-0000-4000-8000-000000000001' }],
      settings: { ...file.settings, naming: 'sharps' },
    };
    const told = (await api().post('/api/data/import?apply=false').send(wanted).expect(200)).body;
    expect(told).toMatchObject({ applied: false, instruments: { added: ['New'] }, settings: 'changed' });
    expect(await listed('instruments')).toEqual([]);
    const before = (await api().get('/api/settings')).body;
    expect(before.value).toEqual(file.settings);
    const same = (await api().post('/api/data/import?apply=true').send(file).expect(200)).body;
    expect(same.settings).toBe('same');
    expect((await api().get('/api/settings')).body.version).toBe(before.version);
    await api().post('/api/data/import?apply=true').send(wanted).expect(200);
    expect((await api().get('/api/settings')).body).toMatchObject({
      value: { naming: 'sharps' },
      version: before.version + 1,
    });
    expect(await listed('instruments')).toMatchObject([{ title: 'New', version: 1 }]);
  });

  test('a file with a field that is none is refused there', async () => {
    await added('Mine');
    const { body: file } = await api().get('/api/data/export');
    const fieldsOf = async (wrong: object) =>
      (
        (await api().post('/api/data/import?apply=true').send(wrong).expect(422)).body.problems as {
          field: string;
        }[]
      ).map((p) => p.field);
    expect(await fieldsOf({ ...file, tunes: [] })).toEqual(['tunes']);
    const odd = { ...file, instruments: [{ ...file.instruments[0], colour: 'red' }] };
    expect(await fieldsOf(odd)).toEqual(['instruments.0.colour']);
  });

  test('a file from a newer version, and a request that does not say whether to apply', async () => {
    const { body: file } = await api().get('/api/data/export');
    const newer = { ...file, version: EXCHANGE_VERSION + 1 };
    expect((await api().post('/api/data/import?apply=true').send(newer).expect(422)).body.message).toContain(
      'newer Same Song',
    );
    expect((await api().post('/api/data/import').send(file).expect(422)).body.problems[0].field).toBe(
      'apply',
    );
    expect(
      (await api().post('/api/data/import?apply=true').send([]).expect(422)).body.problems[0].field,
    ).toBe('format');
  });
});
