/** What is practised and the log of it, as the API keeps them. */
import { families } from '@same-song/core/instruments';
import { defaultQuestion } from '@same-song/core/route';
import { harmonica, serverForEach } from './server.ts';

const { api, listed } = serverForEach();

const uuid = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const entry = (changes: object = {}) => ({
  entry: uuid(1),
  revision: 1,
  at: '2026-05-04T17:30:00Z',
  name: 'Blues',
  minutes: 6,
  tempo: 60,
  rounds: 4,
  clean: 3,
  ...changes,
});
const instrument = async () =>
  (await api().post('/api/instruments').send(harmonica('Mine')).expect(201)).body as {
    id: string;
    version: number;
  };
const question = defaultQuestion(families.diatonic);

test('an entry of the log is added, never changed or thrown away, and asked for by time', async () => {
  const { body } = await api().post('/api/log').send(entry()).expect(201);
  expect(body).toMatchObject({ at: '2026-05-04T17:30:00.000Z', version: 1, keys: [], ways: {} });
  await api()
    .put(`/api/log/${body.id}`)
    .send({ ...entry({ minutes: 9 }), version: 1 })
    .expect(404);
  await api().delete(`/api/log/${body.id}?version=1`).expect(404);
  await api()
    .post('/api/log')
    .send(entry({ revision: 2, at: '2026-06-01T08:00:00Z' }))
    .expect(201);
  const from = await api().get('/api/log?from=2026-05-20T00:00:00Z').expect(200);
  expect(from.body.items).toMatchObject([{ revision: 2 }]);
  const to = await api().get('/api/log?to=2026-05-20T00:00:00Z').expect(200);
  expect(to.body.items).toMatchObject([{ revision: 1 }]);
});

test.each([
  [{ clean: 5 }, 'clean'],
  [{ minutes: -1 }, 'minutes'],
  [{ at: 'soon' }, 'at'],
  [{ secret: 1 }, 'secret'],
])('an entry with %p is refused at its field', async (wrong, field) => {
  const { body } = await api().post('/api/log').send(entry(wrong)).expect(422);
  expect(body.problems.map((problem: { field: string }) => problem.field)).toContain(field);
  expect(await listed('log')).toEqual([]);
});

test('an item belongs to its instrument, its song and its person; a line has no song', async () => {
  const { id: instrumentId, version } = await instrument();
  const item = { name: 'Major', instrumentId, what: { kind: 'line', question } };
  const { body } = await api().post('/api/items').send(item).expect(201);
  expect(body).toMatchObject({ set: false, how: { tempo: 60, wanted: 96, rhythm: 'even' } });
  expect(body.songId).toBeUndefined();
  await api()
    .post('/api/items')
    .send({ ...item, songId: uuid(7) })
    .expect(404);
  await api()
    .post('/api/items')
    .send({ ...item, personId: uuid(7) })
    .expect(404);
  const wrong = await api()
    .post('/api/items')
    .send({ ...item, how: { tempo: 5, rhythm: '1 x' } })
    .expect(422);
  expect(wrong.body.problems.map(({ field }: { field: string }) => field)).toEqual([
    'how.tempo',
    'how.rhythm',
  ]);
  const { body: person } = await api().post('/api/people').send({ name: 'Bram' }).expect(201);
  await api()
    .post('/api/items')
    .send({ ...item, personId: person.id })
    .expect(201);
  expect(await listed('items')).toHaveLength(2);
  // With its instrument in the bin an item is not listed, and comes back with it.
  await api().delete(`/api/instruments/${instrumentId}?version=${version}`).expect(200);
  expect(await listed('items')).toEqual([]);
  await api().post(`/api/instruments/${instrumentId}/restore`).expect(200);
  expect(await listed('items')).toHaveLength(2);
});

test('a tag is one word without a comma, and says what it means', async () => {
  const { body } = await api().post('/api/tags').send({ name: ' slow air ' }).expect(201);
  expect(body).toMatchObject({ name: 'slow air', about: '' });
  const { body: refused } = await api().post('/api/tags').send({ name: 'a, b' }).expect(422);
  expect(refused.problems[0].field).toBe('name');
});
