import { DEFAULT_SETTINGS, RECORD_KIND_IDS, type ExchangeFile } from '@same-song/core';
import { ChangedSince } from '../frame/undo.ts';
import { importFile } from './importing.ts';

interface Row {
  readonly kind: string;
  readonly id: string;
  name: string;
  version: number;
  binned: boolean;
}

/** A server with records of one field, which imports, exports and refuses what is stale as the real one does. */
function server(rows: Row[]) {
  let settings = { value: DEFAULT_SETTINGS, version: 1 };
  const asked: string[] = [];
  const told: object[] = [];
  const shown = ({ id, name, version }: Row) => ({ id, name, version });
  const file = (): ExchangeFile =>
    ({
      ...Object.fromEntries(
        RECORD_KIND_IDS.map((kind) => [
          kind,
          rows.filter((row) => row.kind === kind && !row.binned).map(({ id, name }) => ({ id, name })),
        ]),
      ),
      settings: settings.value,
    }) as unknown as ExchangeFile;
  const take = (given: ExchangeFile) => {
    for (const kind of RECORD_KIND_IDS)
      for (const { id, name } of (given[kind] ?? []) as unknown as Row[]) {
        const there = rows.find((row) => row.id === id);
        if (!there) rows.push({ kind, id, name, version: 1, binned: false });
        else if (there.name !== name || there.binned)
          Object.assign(there, { name, binned: false, version: there.version + 1 });
      }
    const isSame = JSON.stringify(given.settings) === JSON.stringify(settings.value);
    if (!isSame) settings = { value: given.settings, version: settings.version + 1 };
    return { settings: isSame ? 'same' : 'changed' };
  };
  const answer = (path: string, method: string, body: never): unknown => {
    const url = new URL(path, 'http://here');
    const [, , kind, id, act] = url.pathname.split('/');
    if (kind === 'data') return id === 'export' ? file() : take(body);
    // The log takes entries, and nothing else.
    if (kind === 'log' && id === undefined) {
      expect(method).toBe('POST');
      told.push(body);
      return body;
    }
    if (kind === 'log') expect(id).toBe('contents');
    if (kind === 'settings') {
      if (method === 'PUT')
        settings = { value: (body as typeof settings).value, version: settings.version + 1 };
      return settings;
    }
    if (id === 'contents') {
      const ids = url.searchParams.get('ids')!.split(',');
      return rows.filter((row) => row.kind === kind && ids.includes(row.id)).map(shown);
    }
    const row = rows.find((known) => known.id === id)!;
    asked.push(`${method} ${row.name}`);
    if (act === 'restore') {
      if (row.binned) Object.assign(row, { binned: false, version: row.version + 1 });
      return shown(row);
    }
    const seen = method === 'PUT' ? (body as Row).version : Number(url.searchParams.get('version'));
    expect(seen).toBe(row.version);
    Object.assign(row, { version: row.version + 1 });
    if (method === 'PUT') row.name = (body as Row).name;
    else row.binned = true;
    return shown(row);
  };
  global.fetch = ((path: string, { method = 'GET', body }: { method?: string; body?: string } = {}) =>
    Promise.resolve(
      new Response(JSON.stringify(answer(path, method, (body ? JSON.parse(body) : undefined) as never))),
    )) as typeof fetch;
  const standing = () =>
    Object.fromEntries(rows.map(({ id, name, binned }) => [id, binned ? `${name}, binned` : name]));
  return { rows, standing, file, settings: () => settings.value, asked, told };
}

const row = (id: string, name: string, more: Partial<Row> = {}): Row => ({
  kind: 'instruments',
  id,
  name,
  version: 3,
  binned: false,
  ...more,
});
const importOf = (instruments: object[], more: object = {}) =>
  ({ instruments, settings: DEFAULT_SETTINGS, ...more }) as unknown as ExchangeFile;

test('undo takes away what was added, gives back what was changed, and leaves all else', async () => {
  const { rows, standing } = server([row('a', 'Quay'), row('b', 'Pier'), row('c', 'Mole', { binned: true })]);
  const file = importOf([
    { id: 'a', name: 'Quay of the file' },
    { id: 'b', name: 'Pier' },
    { id: 'c', name: 'Mole of the file' },
    { id: 'd', name: 'New' },
  ]);
  const { undo, redo } = await importFile(file);
  const imported = { a: 'Quay of the file', b: 'Pier', c: 'Mole of the file', d: 'New' };
  expect(standing()).toEqual(imported);
  const versionOfB = rows[1]!.version;
  await undo();
  const before = { a: 'Quay', b: 'Pier', c: 'Mole, binned', d: 'New, binned' };
  expect(standing()).toEqual(before);
  expect(rows[1]!.version).toBe(versionOfB);
  await redo();
  expect(standing()).toEqual(imported);
  await undo();
  expect(standing()).toEqual(before);
});

test('what somebody else changed since is gone over only when that is wished; other records do not matter', async () => {
  const { rows, standing } = server([row('a', 'Quay'), row('b', 'Pier')]);
  const { undo, redo } = await importFile(
    importOf([
      { id: 'a', name: 'Quay of the file' },
      { id: 'd', name: 'New' },
    ]),
  );
  Object.assign(rows[1]!, { name: 'Pier of theirs', version: 9 });
  await undo();
  expect(standing()).toEqual({ a: 'Quay', b: 'Pier of theirs', d: 'New, binned' });
  await redo();
  const change = (at: number, name: string) =>
    Object.assign(rows[at]!, { name, version: rows[at]!.version + 1 });
  change(0, 'Quay of theirs');
  await expect(undo()).rejects.toThrow('One of its records was changed since.');
  change(2, 'New of theirs');
  await expect(undo()).rejects.toThrow('2 of its records were changed since.');
  await expect(undo()).rejects.toBeInstanceOf(ChangedSince);
  expect(standing()).toEqual({ a: 'Quay of theirs', b: 'Pier of theirs', d: 'New of theirs' });
  await undo(true);
  expect(standing()).toEqual({ a: 'Quay', b: 'Pier of theirs', d: 'New of theirs, binned' });
  change(0, 'Quay once more');
  await expect(redo()).rejects.toBeInstanceOf(ChangedSince);
  await redo(true);
  expect(standing()).toMatchObject({ a: 'Quay of the file', d: 'New' });
});

test('records come back before those that refer to them, and go after them; settings come back where they were changed', async () => {
  const { settings, asked } = server([row('a', 'Quay')]);
  const file = importOf(
    [
      { id: 'a', name: 'Quay of the file' },
      { id: 'd', name: 'New' },
    ],
    {
      questions: [{ id: 'q', name: 'Question' }],
      settings: { ...DEFAULT_SETTINGS, theme: 'stage' },
    },
  );
  const { undo } = await importFile(file);
  expect(settings().theme).toBe('stage');
  await undo();
  expect(settings()).toEqual(DEFAULT_SETTINGS);
  expect(asked).toEqual(['POST Quay of the file', 'PUT Quay of the file', 'DELETE Question', 'DELETE New']);
});

test('log entries that came with the file are put away by a later revision, and come back by another', async () => {
  const { standing, told } = server([
    row('a', 'Quay'),
    { kind: 'log', id: 'l1', name: 'there', version: 1, binned: false },
  ]);
  const entry = (id: string, of: string, revision: number) => ({
    id,
    entry: of,
    revision,
    name: of,
    minutes: 5,
  });
  const file = importOf([{ id: 'a', name: 'Quay of the file' }], {
    log: [entry('l1', 'there', 1), entry('l2', 'new', 1), entry('l3', 'new', 4), entry('l4', 'other', 2)],
  });
  const { undo, redo } = await importFile(file);
  await undo();
  expect(standing()['a']).toBe('Quay');
  expect(told).toEqual([
    { entry: 'new', revision: 5, name: 'new', minutes: 5, gone: true },
    { entry: 'other', revision: 3, name: 'other', minutes: 5, gone: true },
  ]);
  told.length = 0;
  await redo();
  expect(told).toMatchObject([
    { entry: 'new', revision: 6, gone: false },
    { entry: 'other', revision: 4, gone: false },
  ]);
});
