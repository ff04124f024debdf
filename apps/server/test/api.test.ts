import request from 'supertest';
import { families, specFromPreset } from '@same-song/core/instruments';
import { harmonica, QUESTION, serverForEach, startServer } from './server.ts';

const { api, listed, added } = serverForEach();

describe('instruments', () => {
  test('are added, read, changed and listed', async () => {
    const { id, version } = await added();
    expect(version).toBe(1);
    const changed = { ...harmonica('Loud one'), a4: 442, version };
    const { body } = await api().put(`/api/instruments/${id}`).send(changed).expect(200);
    expect(body).toMatchObject({ id, name: 'Loud one', a4: 442, version: 2 });
    expect((await api().get(`/api/instruments/${id}`)).body).toMatchObject({ name: 'Loud one' });
    expect(await listed('instruments')).toHaveLength(1);
  });

  test('a stale change is refused with the record as it stands, and changes nothing', async () => {
    const { id } = await added();
    await api()
      .put(`/api/instruments/${id}`)
      .send({ ...harmonica('first'), version: 1 })
      .expect(200);
    const { body } = await api()
      .put(`/api/instruments/${id}`)
      .send({ ...harmonica('second'), version: 1 })
      .expect(409);
    expect(body).toMatchObject({ code: 'stale', current: { name: 'first', version: 2 } });
    expect((await api().get(`/api/instruments/${id}`)).body.name).toBe('first');
  });

  test('go to the bin and come back, with their kept questions', async () => {
    const { id } = await added();
    await api()
      .post('/api/questions')
      .send({ ...QUESTION, instrumentId: id })
      .expect(201);
    await api().delete(`/api/instruments/${id}?version=1`).expect(200);
    expect(await listed('instruments')).toEqual([]);
    expect(await listed('questions')).toEqual([]);
    expect(await listed('instruments?which=binned')).toHaveLength(1);
    await api().get(`/api/instruments/${id}`).expect(404);
    await api()
      .post('/api/questions')
      .send({ ...QUESTION, instrumentId: id })
      .expect(404);
    await api().post(`/api/instruments/${id}/restore`).expect(200);
    expect(await listed('questions')).toHaveLength(1);
    await api().post(`/api/instruments/${id}/restore`).expect(200);
    expect((await api().get(`/api/instruments/${id}`)).body.version).toBe(3);
  });

  test('two hundred writes at once all succeed, each with its own record', async () => {
    const names = Array.from({ length: 200 }, (_, i) => `harmonica ${i}`);
    const answers = await Promise.all(
      names.map((name) => api().post('/api/instruments').send(harmonica(name))),
    );
    expect(answers.map((a) => a.status)).toEqual(names.map(() => 201));
    const titles = (await listed('instruments')) as { title: string }[];
    expect(titles.map((item) => item.title).sort()).toEqual([...names].sort());
  });

  test('of changes racing on one version exactly one wins', async () => {
    const { id } = await added();
    const race = Array.from({ length: 20 }, (_, i) => ({ ...harmonica(`name ${i}`), version: 1 }));
    const answers = await Promise.all(race.map((body) => api().put(`/api/instruments/${id}`).send(body)));
    const statuses = answers.map((a) => a.status).sort();
    expect(statuses).toEqual([200, ...Array.from({ length: 19 }, () => 409)]);
  });
});

describe('lists and contents', () => {
  test('come page by page without content, oldest first, and whole records by their ids', async () => {
    const ids: string[] = [];
    for (const name of ['one', 'two', 'three']) ids.push((await added(name)).id);
    const first = (await api().get('/api/instruments?limit=2').expect(200)).body;
    expect(first.items).toEqual([
      { id: ids[0], version: 1, title: 'one', family: 'diatonic' },
      { id: ids[1], version: 1, title: 'two', family: 'diatonic' },
    ]);
    const second = (await api().get(`/api/instruments?limit=2&after=${first.next}`)).body;
    expect(second).toMatchObject({ items: [{ title: 'three' }], next: null });
    const missing = '00000000-0000-4000-8000-000000000009';
    const whole = (await api().get(`/api/instruments/contents?ids=${ids[2]},${missing}`).expect(200)).body;
    expect(whole).toEqual([{ ...harmonica('three'), id: ids[2], version: 1 }]);
    const many = (count: number) =>
      api().get(`/api/instruments/contents?ids=${Array(count).fill(missing).join(',')}`);
    expect((await many(100).expect(200)).body).toEqual([]);
    expect((await many(101).expect(422)).body.problems[0].field).toBe('ids');
    await api().get('/api/instruments?limit=1000').expect(200);
    await api().get('/api/instruments?limit=1001').expect(422);
  });

  test.each([
    ['limit', 'instruments?limit=0'],
    ['limit', 'instruments?limit=5000'],
    ['after', 'instruments?after=-1'],
    ['after', 'instruments?after=x'],
    ['from', 'instruments?from=yesterday'],
    ['ids', 'instruments/contents?ids=7'],
    ['ids', 'instruments/contents'],
  ])('a wrong %s is refused: %s', async (field, path) => {
    const { body } = await api().get(`/api/${path}`).expect(422);
    expect((body.problems as { field: string }[]).map((p) => p.field)).toEqual([field]);
  });

  test.each(['', '\u0000', 'mine', '0c6f5a3e-0000-4000-8000-00000000000\u0000'])(
    'a reference that is no id (%j) is refused at its field',
    async (instrumentId) => {
      const question = { name: 'Lanterns', instrumentId, question: QUESTION };
      const { body } = await api().post('/api/questions').send(question).expect(422);
      expect(body.problems[0].field).toBe('instrumentId');
    },
  );

  test('a record of one kind is none of another, and every write answers with its version', async () => {
    const { id } = await added();
    await api().get(`/api/layouts/${id}`).expect(404);
    await api().delete(`/api/layouts/${id}?version=1`).expect(404);
    expect((await api().delete(`/api/instruments/${id}?version=1`).expect(200)).body.version).toBe(2);
    expect((await api().post(`/api/instruments/${id}/restore`).expect(200)).body.version).toBe(3);
    const without = await api().put(`/api/instruments/${id}`).send(harmonica()).expect(422);
    expect(without.body.problems[0].field).toBe('version');
  });
});

describe('what is wrong is refused at its field, and nothing is saved', () => {
  const base = harmonica();
  test.each([
    ['name', { ...base, name: ' ' }],
    ['name', { ...base, name: 'x'.repeat(10_000) }],
    ['a4', { ...base, a4: 4400 }],
    ['a4', { ...base, a4: 'high' }],
    ['family', { ...base, family: 'kazoo' }],
    ['layout', { ...base, layout: 'x' }],
    [
      'layout.draw.5',
      { ...base, layout: { ...(base.layout as object), draw: [2, 7, 11, 14, 3, 21, 23, 26, 29, 33] } },
    ],
    ['capability.overblow', { ...base, capability: { overblow: ['12'] } }],
    ['colour', { ...base, colour: 'red' }],
  ])('%s', async (field, body) => {
    const answer = await api().post('/api/instruments').send(body).expect(422);
    expect(answer.body).toMatchObject({ status: 422, code: 'invalid' });
    expect((answer.body.problems as { field: string }[]).map((p) => p.field)).toContain(field);
    expect(await listed('instruments')).toEqual([]);
  });

  test('ids, queries and versions', async () => {
    expect((await api().get('/api/instruments/7').expect(422)).body.problems[0].field).toBe('id');
    expect((await api().get('/api/instruments?which=all').expect(422)).body.problems[0].field).toBe('which');
    expect((await api().get('/api/instruments?sort=up').expect(422)).body.problems[0].field).toBe('sort');
    const { id } = await added();
    expect(
      (await api().delete(`/api/instruments/${id}?version=one`).expect(422)).body.problems[0].field,
    ).toBe('version');
    await api().delete(`/api/instruments/${id}?version=9`).expect(409);
    for (const version of [undefined, 0, 1.5, '1', null]) {
      const { body } = await api()
        .put(`/api/instruments/${id}`)
        .send({ ...harmonica(), version })
        .expect(422);
      expect(body.problems[0].field).toBe('version');
    }
    await api()
      .put(`/api/instruments/${id}`)
      .send({ ...harmonica(), version: 1 })
      .expect(200);
  });

  test('names with emoji and right-to-left script are kept letter for letter', async () => {
    const { name } = await added('הרמוניקה של נֹעָה 🎶 𝄫');
    expect(name).toBe('הרמוניקה של נֹעָה 🎶 𝄫');
  });

  test('broken JSON, too much of it, and an unknown address answer in the one error shape', async () => {
    const post = (body: string) =>
      api().post('/api/instruments').set('Content-Type', 'application/json').send(body);
    expect((await post('{"family":').expect(400)).body).toMatchObject({
      status: 400,
      code: 'bad-request',
      problems: [],
    });
    expect((await post(JSON.stringify({ name: 'x'.repeat(300_000) })).expect(413)).body.code).toBe(
      'too-large',
    );
    expect((await api().get('/api/nothing').expect(404)).body).toMatchObject({
      code: 'not-found',
      problems: [],
    });
  });
});

describe('kept questions', () => {
  test('are checked against the family of their instrument', async () => {
    const { id } = await added();
    await api()
      .post('/api/questions')
      .send({ ...QUESTION, instrumentId: id })
      .expect(201);
    const wrong = { ...QUESTION, instrumentId: id, question: { ...QUESTION.question, tonic: 'H' } };
    expect((await api().post('/api/questions').send(wrong).expect(422)).body.problems[0].field).toBe(
      'question.tonic',
    );
  });

  test('are renamed, binned and restored', async () => {
    const { id } = await added();
    const kept = (
      await api()
        .post('/api/questions')
        .send({ ...QUESTION, instrumentId: id })
    ).body as { id: string };
    await api()
      .put(`/api/questions/${kept.id}`)
      .send({ ...QUESTION, name: 'Evening', instrumentId: id, version: 1 })
      .expect(200);
    await api().delete(`/api/questions/${kept.id}?version=2`).expect(200);
    expect(await listed('questions')).toEqual([]);
    await api().post(`/api/questions/${kept.id}/restore`).expect(200);
    expect(await listed('questions')).toMatchObject([{ title: 'Evening', version: 4, instrumentId: id }]);
  });
});

test('an instrument does not become one that its kept questions do not fit; in the bin they wait until they do', async () => {
  const { id } = await added();
  // No drum is played with little breath.
  const preferences = { ...QUESTION.question.preferences, preset: 'air' };
  const question = { ...QUESTION, question: { ...QUESTION.question, preferences }, instrumentId: id };
  const kept = (await api().post('/api/questions').send(question).expect(201)).body as { id: string };
  const drum = { ...specFromPreset('drum', 'c-major-8'), version: 1 };
  const refused = await api().put(`/api/instruments/${id}`).send(drum).expect(422);
  expect(refused.body.message).toMatch(/“Warm-up” would no longer fit/);
  await api()
    .put(`/api/instruments/${id}`)
    .send({ ...harmonica('Another name'), version: 1 })
    .expect(200);
  await api().delete(`/api/questions/${kept.id}?version=1`).expect(200);
  // A question in the bin holds nobody up, but does not come back to what it does not fit.
  await api()
    .put(`/api/instruments/${id}`)
    .send({ ...drum, version: 2 })
    .expect(200);
  await api().post(`/api/questions/${kept.id}/restore`).expect(422);
  await api()
    .put(`/api/instruments/${id}`)
    .send({ ...harmonica(), version: 3 })
    .expect(200);
  await api().post(`/api/questions/${kept.id}/restore`).expect(200);
  const exported = (await api().get('/api/data/export').expect(200)).body as object;
  await api().post('/api/data/import?apply=false').send(exported).expect(200);
});

describe('progressions', () => {
  const body = { name: 'Quay', text: '1 4,5 1 ii7', beats: 3 };

  test('are kept, changed, refused when stale, binned and restored', async () => {
    const { id } = (await api().post('/api/progressions').send(body).expect(201)).body as { id: string };
    const changed = { ...body, text: '1 1', version: 1 };
    await api().put(`/api/progressions/${id}`).send(changed).expect(200);
    await api().put(`/api/progressions/${id}`).send(changed).expect(409);
    await api().delete(`/api/progressions/${id}?version=2`).expect(200);
    expect(await listed('progressions')).toEqual([]);
    await api().post(`/api/progressions/${id}/restore`).expect(200);
    expect(await listed('progressions')).toMatchObject([{ title: 'Quay', text: '1 1', version: 4 }]);
  });

  test.each([
    ['text', { ...body, text: '1 4 H' }],
    ['text', { ...body, text: '' }],
    ['beats', { ...body, beats: 1 }],
    ['beats', { ...body, beats: 'four' }],
    ['name', { ...body, name: ' ' }],
    ['colour', { ...body, colour: 'red' }],
  ])('a wrong %s is refused there', async (field, wrong) => {
    const answer = await api().post('/api/progressions').send(wrong).expect(422);
    expect((answer.body.problems as { field: string }[]).map((p) => p.field)).toContain(field);
    expect(await listed('progressions')).toEqual([]);
  });
});

describe('layouts', () => {
  const { family, layout } = specFromPreset('dulcimer', families.dulcimer.presets[0]!.id);
  const body = { family, name: 'Quay frets', layout };

  test('are kept, changed, refused when stale, binned and restored', async () => {
    const { id } = (await api().post('/api/layouts').send(body).expect(201)).body as { id: string };
    const changed = { ...body, name: 'Quay frets, second', version: 1 };
    await api().put(`/api/layouts/${id}`).send(changed).expect(200);
    await api().put(`/api/layouts/${id}`).send(changed).expect(409);
    await api().delete(`/api/layouts/${id}?version=2`).expect(200);
    expect(await listed('layouts')).toEqual([]);
    await api().post(`/api/layouts/${id}/restore`).expect(200);
    expect(await listed('layouts')).toMatchObject([{ title: changed.name, family, version: 4 }]);
    expect((await api().get(`/api/layouts/${id}`)).body).toMatchObject({ name: changed.name, layout });
  });

  test.each([
    ['family', { ...body, family: 'kazoo' }],
    ['name', { ...body, name: '' }],
    ['layout', { ...body, layout: 'frets' }],
    ['layout.strings.bass', { ...body, layout: { ...(layout as object), strings: 'three' } }],
    ['colour', { ...body, colour: 'red' }],
  ])('a wrong %s is refused there', async (field, wrong) => {
    const answer = await api().post('/api/layouts').send(wrong).expect(422);
    expect((answer.body.problems as { field: string }[]).map((p) => p.field)).toContain(field);
    expect(await listed('layouts')).toEqual([]);
  });
});

describe('settings', () => {
  test('start at their defaults, are saved, and refuse a stale or unknown one', async () => {
    const { body: first } = await api().get('/api/settings').expect(200);
    expect(first).toMatchObject({ version: 0, value: { theme: 'system' } });
    const value = { ...first.value, theme: 'stage' };
    expect((await api().put('/api/settings').send({ value, version: 0 }).expect(200)).body.version).toBe(1);
    expect(
      (await api().put('/api/settings').send({ value, version: 0 }).expect(409)).body.current.version,
    ).toBe(1);
    const odd = { ...value, colour: 'red' };
    expect(
      (await api().put('/api/settings').send({ value: odd, version: 1 }).expect(422)).body.problems[0].field,
    ).toBe('colour');
  });
});

describe('the gate', () => {
  test('strange names and strange pages are turned away', async () => {
    await api().get('/api/health').set('Host', 'evil.example').expect(403);
    await api().post('/api/instruments').set('Origin', 'http://evil.example').send(harmonica()).expect(403);
    await api().get('/api/health').set('Origin', 'null').expect(403);
    expect(await listed('instruments')).toEqual([]);
  });

  test('answers carry a strict policy with a nonce of their own', async () => {
    const policy = async () => (await api().get('/api/health')).headers['content-security-policy'] as string;
    const [one, two] = [await policy(), await policy()];
    expect(one).toContain("default-src 'self'");
    expect(one).not.toContain('unsafe');
    expect(one).not.toEqual(two);
  });

  test('answers are compressed where the client takes it', async () => {
    for (let i = 0; i < 30; i += 1) await added(`harmonica ${i}`);
    const answer = await api().get('/api/instruments').set('Accept-Encoding', 'gzip').expect(200);
    expect(answer.headers['content-encoding']).toBe('gzip');
    expect(answer.body.items).toHaveLength(30);
  });

  test('too many requests are told to wait', async () => {
    const busy = await startServer({ REQUESTS_PER_MINUTE: '5' });
    const answers = [];
    for (let i = 0; i < 7; i += 1) answers.push(await request(busy.app.getHttpServer()).get('/api/health'));
    await busy.stop();
    expect(answers.map((a) => a.status)).toEqual([200, 200, 200, 200, 200, 429, 429]);
    expect(answers[6]!.body).toMatchObject({ code: 'too-many', problems: [] });
  });

  test('the API describes itself', async () => {
    const { body } = await api().get('/api/docs-json').expect(200);
    expect(Object.keys(body.paths)).toEqual(
      expect.arrayContaining(['/api/instruments/{id}', '/api/questions', '/api/data/import']),
    );
  });
});
