/** Writes as one change, and taking a change back. */
import { randomUUID } from 'node:crypto';
import { Sequelize } from 'sequelize-typescript';
import request from 'supertest';
import { expectOk } from '@same-song/core';
import { DEFAULT_SETTINGS } from '@same-song/core/records';
import { readAbc } from '@same-song/formats';
import { ChangedRecordModel, ChangeModel } from '../src/records/change.model.ts';
import { CHANGES_KEPT } from '../src/records/changes.service.ts';
import { harmonica, logEntry, QUESTION, serverForEach, startServer, temporaryFolder } from './server.ts';

const { api, listed, added, server } = serverForEach();

interface Answered {
  readonly id: string;
  readonly records: readonly { readonly id: string; readonly version: number; readonly name: string }[];
}

const make = async (...writes: object[]): Promise<Answered> =>
  (await api().post('/api/changes').send({ writes }).expect(201)).body as Answered;
const undo = async (id: string, anyway = false): Promise<Answered> =>
  (await api().post(`/api/changes/${id}/undo`).send({ anyway }).expect(200)).body as Answered;
/** What an undo that is refused says. */
const refusal = async (id: string) => {
  const { body } = await api().post(`/api/changes/${id}/undo`).send({}).expect(409);
  expect(body.code).toBe('changed-since');
  return body.message as string;
};
const create = (name: string, preset?: string) => ({
  op: 'create',
  kind: 'instruments',
  content: harmonica(name, preset),
});
const createTag = (name: string) => ({ op: 'create', kind: 'tags', content: { name, about: '' } });
const update = (id: string, version: number, content: object) => ({
  op: 'update',
  kind: 'instruments',
  id,
  version,
  content,
});
const standing = async (id: string) => {
  const { id: _, version: __, ...content } = (await api().get(`/api/instruments/${id}`).expect(200)).body;
  return content as ReturnType<typeof harmonica> & { notes: string };
};

describe('a change', () => {
  test('creates, changes, bins and restores in one go, and is taken back and made again as one', async () => {
    const [first, second, third] = [await added('First'), await added('Second'), await added('Third')];
    await make({ op: 'bin', kind: 'instruments', id: third.id, version: 1 });
    const names = async () => (await listed('instruments')).map((one) => (one as { title: string }).title);
    const change = await make(
      create('Fourth'),
      update(first.id, 1, harmonica('First, renamed')),
      { op: 'bin', kind: 'instruments', id: second.id, version: 1 },
      { op: 'restore', kind: 'instruments', id: third.id },
    );
    expect(change.records.map(({ name, version }) => [name, version])).toEqual([
      ['Fourth', 1],
      ['First, renamed', 2],
      ['Second', 2],
      ['Third', 3],
    ]);
    const after = ['First, renamed', 'Third', 'Fourth'];
    expect(await names()).toEqual(after);
    let last = change.id;
    for (let times = 0; times < 3; times += 1) {
      last = (await undo(last)).id;
      expect(await names()).toEqual(['First', 'Second']);
      last = (await undo(last)).id;
      expect(await names()).toEqual(after);
    }
  });

  test('is made wholly or not at all, and the write that is refused is named', async () => {
    const { id } = await added('First');
    const writes = [create('Second'), update(id, 1, { ...harmonica('Third'), a4: 1 }), create('Fourth')];
    const { body } = await api().post('/api/changes').send({ writes }).expect(422);
    expect(body).toMatchObject({ code: 'invalid', write: 1, problems: [{ field: 'a4' }] });
    expect(await listed('instruments')).toMatchObject([{ title: 'First' }]);
    const late = [create('Second'), update(id, 7, harmonica('Third'))];
    const refused = (await api().post('/api/changes').send({ writes: late }).expect(409)).body;
    expect(refused).toMatchObject({ code: 'stale', write: 1, current: { name: 'First', version: 1 } });
    expect(await listed('instruments')).toHaveLength(1);
  });

  test.each([
    [{}, 'writes'],
    [{ writes: [] }, 'writes'],
    [{ writes: 'all' }, 'writes'],
    [{ writes: [{ op: 'burn', kind: 'songs' }] }, 'writes.0.op'],
    [{ writes: [{ op: 'create', kind: 'pianos', content: {} }] }, 'writes.0.kind'],
    [{ writes: [create('One'), { op: 'bin', kind: 'songs', id: 'x', version: 1 }] }, 'writes.1.id'],
    [{ writes: [update('7d2b0a3e-0000-4000-8000-000000000000', 0.5, {})] }, 'writes.0.version'],
    [{ writes: Array.from({ length: 1001 }, () => create('One')) }, 'writes'],
    [{ writes: [create('One')], more: 1 }, 'more'],
  ])('that is malformed is refused at its field: %#', async (body, field) => {
    const answer = await api().post('/api/changes').send(body).expect(422);
    expect(answer.body.problems.map((problem: { field: string }) => problem.field)).toContain(field);
    expect(await listed('instruments')).toEqual([]);
  });

  test('of the log only adds to it', async () => {
    const id = '7d2b0a3e-0000-4000-8000-000000000000';
    const writes = [{ op: 'bin', kind: 'log', id, version: 1 }];
    const { body } = await api().post('/api/changes').send({ writes }).expect(422);
    expect(body.problems).toMatchObject([{ field: 'op', wrong: 'bin' }]);
  });

  test('of a thousand records is one request', async () => {
    const many = Array.from({ length: 1000 }, (_, n) => createTag(`tag ${n}`));
    const { id, records } = await make(...many);
    expect(records.map(({ name }) => name)).toEqual(many.map(({ content }) => content.name));
    await undo(id);
    expect(await listed('tags')).toEqual([]);
  });
});

describe('undo', () => {
  test('puts back only the fields of its change, measured places one by one, and leaves what others wrote', async () => {
    const { id } = await added('Mine');
    const plain = await standing(id);
    const own = { ...plain, name: 'Ours', a4: 442, measured: { '1b': { pitch: 65, cents: 3 } } };
    const change = await make(update(id, 1, own));
    const theirs = {
      ...own,
      notes: 'Theirs',
      measured: { ...own.measured, '2b': { pitch: 69, cents: -5 } },
    };
    await make(update(id, 2, theirs));
    const back = await undo(change.id);
    expect(await standing(id)).toEqual({
      ...plain,
      notes: 'Theirs',
      measured: { '2b': { pitch: 69, cents: -5 } },
    });
    await undo(back.id);
    expect(await standing(id)).toEqual(theirs);
  });

  test('asks before it goes over what was changed or binned since, and then does what it is told', async () => {
    const { id } = await added('Mine');
    const change = await make(update(id, 1, harmonica('Ours')));
    await make(update(id, 2, harmonica('Theirs')));
    expect(await refusal(change.id)).toBe('It was changed elsewhere since.');
    expect((await standing(id)).name).toBe('Theirs');
    const back = await undo(change.id, true);
    expect((await standing(id)).name).toBe('Mine');
    await make({ op: 'bin', kind: 'instruments', id, version: 4 });
    expect(await refusal(back.id)).toBe('It was put into the bin since.');
    await undo(back.id, true);
    expect((await standing(id)).name).toBe('Theirs');
  });

  test('of several says which was changed, and takes none of them', async () => {
    const change = await make(create('One'), create('Two'), create('Three'));
    const [one, two] = change.records;
    await make(update(one!.id, 1, harmonica('One of theirs')));
    expect(await refusal(change.id)).toBe('One of theirs was changed elsewhere since.');
    await make(update(two!.id, 1, harmonica('Two of theirs')));
    expect(await refusal(change.id)).toBe('2 records of it were changed elsewhere since.');
    expect(await listed('instruments')).toHaveLength(3);
    await undo(change.id, true);
    expect(await listed('instruments')).toEqual([]);
  });

  test('of an edit puts a note of a song back in its place', async () => {
    const { body: song } = await api()
      .post('/api/songs')
      .send(expectOk(readAbc('X:1\nT:Quay\nL:1/4\nK:C\nCDEF|')[0]!).song)
      .expect(201);
    const { id, version, ...content } = song;
    const parts = structuredClone(content.parts);
    parts[0].voices[0].notes.splice(1, 1);
    const change = await make({ op: 'update', kind: 'songs', id, version, content: { ...content, parts } });
    await make({
      op: 'update',
      kind: 'songs',
      id,
      version: 2,
      content: { ...content, parts, title: 'Theirs' },
    });
    await undo(change.id);
    const { body: now } = await api().get(`/api/songs/${id}`).expect(200);
    expect(now).toEqual({ ...content, title: 'Theirs', id, version: 4 });
  });

  test('of what lies in the bin already, or twice, changes nothing more', async () => {
    const change = await make(create('One'));
    const { id } = change.records[0]!;
    await make({ op: 'bin', kind: 'instruments', id, version: 1 });
    await undo(change.id);
    await undo(change.id);
    expect(await listed('instruments?which=binned')).toMatchObject([{ id, version: 2 }]);
  });

  test('brings back what others name before them, and puts it away after them', async () => {
    const instrument = (await make(create('Named'))).records[0]!;
    const question = (
      await make({
        op: 'create',
        kind: 'questions',
        content: { ...QUESTION, instrumentId: instrument.id },
      })
    ).records[0]!;
    const both = await make(
      { op: 'bin', kind: 'questions', id: question.id, version: 1 },
      { op: 'bin', kind: 'instruments', id: instrument.id, version: 1 },
    );
    const back = await undo(both.id);
    expect(await listed('questions')).toHaveLength(1);
    await undo(back.id);
    expect(await listed('instruments')).toEqual([]);
    expect(await listed('instruments?which=binned')).toHaveLength(1);
  });

  test('of a change that is not there, or long ago, is told', async () => {
    await api().post('/api/changes/7d2b0a3e-0000-4000-8000-000000000000/undo').send({}).expect(404);
    await api().post('/api/changes/first/undo').send({}).expect(422);
    const first = await make(create('First'));
    const database = server().app.get(Sequelize);
    const later = Array.from({ length: CHANGES_KEPT - 1 }, () => ({ id: randomUUID(), settings: null }));
    await database.getRepository(ChangeModel).bulkCreate(later);
    const last = await make(createTag('last but one'));
    await api().post(`/api/changes/${first.id}/undo`).send({}).expect(404);
    expect(await database.getRepository(ChangeModel).count()).toBe(CHANGES_KEPT);
    expect(await database.getRepository(ChangedRecordModel).count()).toBe(1);
    await undo(last.id);
  });

  test('is possible after the server was started again', async () => {
    const folder = temporaryFolder();
    const first = await startServer({}, folder);
    const { body } = await request(first.app.getHttpServer())
      .post('/api/changes')
      .send({ writes: [create('Kept')] })
      .expect(201);
    await first.stop();
    const second = await startServer({}, folder);
    await request(second.app.getHttpServer()).post(`/api/changes/${body.id}/undo`).send({}).expect(200);
    const { body: page } = await request(second.app.getHttpServer()).get('/api/instruments').expect(200);
    expect(page.items).toEqual([]);
  });
});

describe('an import', () => {
  const take = async (file: object) =>
    (await api().post('/api/data/import?apply=true').send(file).expect(200)).body as {
      readonly change?: string;
    };
  const exported = async () => (await api().get('/api/data/export').expect(200)).body;

  test('is taken back with log entries and settings, and made again', async () => {
    const { id } = await added('Mine');
    const before = await exported();
    const file = {
      ...before,
      instruments: [
        { ...before.instruments[0], name: 'Mine of the file' },
        { ...before.instruments[0], id: id.replace(/^./u, (c) => (c === 'a' ? 'b' : 'a')), name: 'New' },
      ],
      log: [
        logEntry('00000000-0000-4000-8000-000000000001'),
        logEntry('00000000-0000-4000-8000-000000000002'),
      ],
      settings: { ...DEFAULT_SETTINGS, theme: 'stage' },
    };
    const { change } = await take(file);
    const imported = await exported();
    expect(imported).toEqual(file);
    const back = await undo(change!);
    expect(await exported()).toEqual(before);
    await undo(back.id);
    expect(await exported()).toEqual(imported);
  });

  test('leaves what others changed since of settings, and asks where both changed the same', async () => {
    const before = await exported();
    const { change } = await take({ ...before, settings: { ...before.settings, theme: 'stage' } });
    const set = async (value: object) => {
      const { version } = (await api().get('/api/settings')).body;
      await api().put('/api/settings').send({ value, version }).expect(200);
    };
    await set({ ...before.settings, theme: 'paper' });
    await refusal(change!);
    await undo(change!, true);
    expect((await exported()).settings.theme).toBe(before.settings.theme);
  });

  test('that changes nothing has nothing to take back', async () => {
    await added('Mine');
    expect((await take(await exported())).change).toBeUndefined();
  });
});
