/** Every family through the API: kept, changed, refused at the field, exported and brought back. */
import { Ajv2020 } from 'ajv/dist/2020.js';
import addFormats from 'ajv-formats';
import { expectOk } from '@same-song/core';
import { families, FAMILY_IDS, openInstrument, specFromPreset } from '@same-song/core/instruments';
import { layoutFile, type ExchangeFile } from '@same-song/core/records';
import { defaultQuestion } from '@same-song/core/route';
import { demoData } from '../src/demo/demoData.ts';
import { serverForEach } from './server.ts';

const { api } = serverForEach();

const specOf = (id: (typeof FAMILY_IDS)[number]) => specFromPreset(id, families[id].presets[0]!.id);

test.each(FAMILY_IDS)(
  'a %s is kept with what was measured and chosen, and found again as it was',
  async (id) => {
    const { ways } = expectOk(openInstrument(specOf(id)));
    const spec = {
      ...specOf(id),
      a4: 442,
      measured: { [ways[0]!.id]: { pitch: ways[0]!.pitch, cents: -7.5 } },
      choices: [ways[0]!.id],
      notes: 'Wörter 🎶',
    };
    const { body } = await api().post('/api/instruments').send(spec).expect(201);
    const found = (
      await api()
        .get(`/api/instruments/${(body as { id: string }).id}`)
        .expect(200)
    ).body as typeof spec;
    expect(found).toMatchObject(JSON.parse(JSON.stringify(spec)) as object);
    expect(expectOk(openInstrument({ ...spec, layout: found.layout })).ways).toEqual(ways);
  },
);

test.each(FAMILY_IDS)(
  'a question for a %s is kept, and one with another family’s preference is refused there',
  async (id) => {
    const { body } = await api().post('/api/instruments').send(specOf(id)).expect(201);
    const instrumentId = (body as { id: string }).id;
    const question = defaultQuestion(families[id], { home: 3, ownScale: 'major' });
    await api().post('/api/questions').send({ name: 'Evening', instrumentId, question }).expect(201);
    const wrong = { ...question, preferences: { ...question.preferences, preset: 'of another kind' } };
    const answer = await api()
      .post('/api/questions')
      .send({ name: 'Evening', instrumentId, question: wrong })
      .expect(422);
    expect((answer.body.problems as { field: string }[]).map((p) => p.field)).toContain(
      'question.preferences.preset',
    );
    const odd = await api()
      .post('/api/questions')
      .send({ name: 'Evening', instrumentId, question: { ...question, pattern: 'zigzag', layer: 'none' } })
      .expect(422);
    expect((odd.body.problems as { field: string }[]).map((p) => p.field).sort()).toEqual([
      'question.layer',
      'question.pattern',
    ]);
  },
);

test.each(FAMILY_IDS)('a broken %s is refused within its layout and nothing is kept', async (id) => {
  const answer = await api()
    .post('/api/instruments')
    .send({ ...specOf(id), layout: {} })
    .expect(422);
  const fields = (answer.body.problems as { field: string }[]).map((p) => p.field);
  expect(fields.length).toBeGreaterThan(0);
  expect(fields.every((field) => field.startsWith('layout'))).toBe(true);
  expect((await api().get('/api/instruments')).body.items).toEqual([]);
});

test('layouts of every family fit the published schema; others do not', async () => {
  const { body: schema } = await api().get('/api/data/layout-schema').expect(200);
  const ajv = new Ajv2020({ strict: true });
  addFormats.default(ajv);
  const validate = ajv.compile(schema as object);
  for (const id of FAMILY_IDS) {
    const { layout, name } = specOf(id);
    expect(validate(layoutFile(id, name, layout)) ? [] : validate.errors).toEqual([]);
  }
  expect(validate({ ...layoutFile('drum', 'x', {}), family: 'kazoo' })).toBe(false);
  expect(validate({ ...layoutFile('drum', 'x', {}), more: 1 })).toBe(false);
});

test('the demo data has an instrument of every family, all of it opens, and its questions name notes that sound', () => {
  const demo = demoData();
  const kinds = new Set(demo.instruments.map((i) => i.family));
  for (const id of FAMILY_IDS.filter((f) => f !== 'custom')) expect(kinds).toContain(id);
  const names = demo.instruments.map((i) => i.name);
  expect(new Set(names).size).toBe(names.length);
  for (const { id, ...spec } of demo.instruments) {
    const { ways } = expectOk(openInstrument(spec));
    for (const wayId of [...Object.keys(spec.measured), ...spec.choices])
      expect(ways.map((w) => w.id)).toContain(wayId);
    expect(id).toMatch(/^5a3e5046-/);
  }
});

test('a file of three thousand records goes in whole, and one wrong record among them keeps all out', async () => {
  const demo = demoData();
  const id = (n: number) => `99999999-0000-4000-8000-${String(n).padStart(12, '0')}`;
  const many: ExchangeFile = {
    ...demo,
    instruments: Array.from({ length: 3000 }, (_, n) => ({
      ...demo.instruments[n % demo.instruments.length]!,
      id: id(n),
      name: `instrument ${n}`,
    })),
    questions: [],
    arrangements: [],
    items: [],
    routines: [],
    measurings: [],
    log: [],
  };
  const wrong = { ...many, instruments: many.instruments.with(2999, { ...many.instruments[2999]!, a4: 1 }) };
  const refused = await api().post('/api/data/import?apply=true').send(wrong).expect(422);
  expect(refused.body.problems[0].field).toBe('instruments.2999.a4');
  expect((await api().get('/api/instruments')).body.items).toEqual([]);
  await api().post('/api/data/import?apply=true').send(many).expect(200);
  let count = 0;
  let after: number | null = 0;
  while (after !== null) {
    const { body: page } = await api().get(`/api/instruments?limit=1000&after=${after}`);
    count += (page as { items: unknown[] }).items.length;
    after = (page as { next: number | null }).next;
  }
  expect(count).toBe(3000);
}, 60_000);
