/** The description of the API against what it answers, with every kind of record that the demo has. */
import { Ajv2020 } from 'ajv/dist/2020.js';
import addFormats from 'ajv-formats';
import request from 'supertest';
import { RECORD_KIND_IDS } from '@same-song/core/records';
import { harmonica, startServer } from './server.ts';

interface Operation {
  readonly responses: Readonly<
    Record<string, { readonly content?: { readonly 'application/json'?: { readonly schema: object } } }>
  >;
}
type Paths = Readonly<Record<string, Readonly<Record<string, Operation>>>>;

let api: ReturnType<typeof request>;
let paths: Paths;
beforeEach(async () => {
  const { app } = await startServer({ SAME_SONG_DEMO: '1' });
  api = request(app.getHttpServer());
  paths = ((await api.get('/api/docs-json')).body as { paths: Paths }).paths;
});

const ajv = new Ajv2020({ strict: false });
addFormats.default(ajv);

/** Checks an answer by what the description says of it. */
function describes(method: string, path: string, { status, body }: { status: number; body: unknown }): void {
  const { responses } = paths[path]![method]!;
  const { schema } = (responses[status] ?? responses['default'])!.content!['application/json']!;
  const validate = ajv.compile(schema);
  expect([path, validate(body) ? [] : validate.errors]).toEqual([path, []]);
}

test('every route says what it answers, and how it refuses', () => {
  const silent = Object.entries(paths).flatMap(([path, operations]) =>
    Object.entries(operations).flatMap(([method, { responses }]) => {
      const good = responses['200'] ?? responses['201'];
      const isHealth = path === '/api/health';
      return good?.content && (isHealth || responses['default']?.content) ? [] : [`${method} ${path}`];
    }),
  );
  expect(silent).toEqual([]);
  expect(Object.keys(paths).length).toBeGreaterThan(3 * RECORD_KIND_IDS.length);
});

test('lists, records and contents of every kind are what is said of them', async () => {
  for (const kind of RECORD_KIND_IDS) {
    const list = await api.get(`/api/${kind}?limit=5`);
    describes('get', `/api/${kind}`, list);
    const [first] = (list.body as { items: { id: string }[] }).items;
    if (!first) continue;
    describes('get', `/api/${kind}/{id}`, await api.get(`/api/${kind}/${first.id}`));
    describes('get', `/api/${kind}/contents`, await api.get(`/api/${kind}/contents?ids=${first.id}`));
  }
});

test('writes, changes, their undoing, imports and refusals are what is said of them', async () => {
  const made = await api.post('/api/instruments').send(harmonica());
  describes('post', '/api/instruments', made);
  const { id } = made.body as { id: string };
  const path = '/api/instruments/{id}';
  describes('put', path, await api.put(`/api/instruments/${id}`).send({ ...harmonica('Other'), version: 1 }));
  const stale = await api.put(`/api/instruments/${id}`).send({ ...harmonica('Late'), version: 1 });
  expect(stale.status).toBe(409);
  describes('put', path, stale);
  describes('delete', path, await api.delete(`/api/instruments/${id}?version=2`));
  describes('post', `${path}/restore`, await api.post(`/api/instruments/${id}/restore`));
  const write = { op: 'create', kind: 'instruments', content: harmonica('Third') };
  const change = await api.post('/api/changes').send({ writes: [write] });
  describes('post', '/api/changes', change);
  const taken = await api.post(`/api/changes/${(change.body as { id: string }).id}/undo`).send({});
  describes('post', '/api/changes/{id}/undo', taken);
  const exported = await api.get('/api/data/export');
  describes('get', '/api/data/export', exported);
  const report = await api.post('/api/data/import?apply=false').send(exported.body as object);
  describes('post', '/api/data/import', report);
  const refused = await api.post('/api/data/import?apply=false').send({ schema: 'none' });
  expect(refused.status).toBe(422);
  describes('post', '/api/data/import', refused);
  describes('get', '/api/settings', await api.get('/api/settings'));
  describes('get', '/api/health', await api.get('/api/health'));
});
