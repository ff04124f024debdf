import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, fireEvent, render, renderHook, screen, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { answerReads } from '../../test/answerReads.ts';
import { redo, undo } from '../../test/history.ts';
import { questions, layouts, type LayoutRecord } from '../api/records.ts';
import { useNotice } from './notice.ts';
import { useKeeping } from './useKeeping.ts';

interface Row {
  id: string;
  name: string;
  version: number;
  binned: boolean;
}

/** A server that keeps records with versions and refuses what is stale, as the real one does. */
function server() {
  const rows: Row[] = [];
  let away = false;
  const answer = (status: number, body?: unknown) =>
    new Response(body === undefined ? null : JSON.stringify(body), { status });
  const CODES: Record<number, string> = { 404: 'not-found', 409: 'stale' };
  const refuse = (status: number, message: string) =>
    answer(status, { status, code: CODES[status] ?? 'refused', message, problems: [] });
  const fetch = (path: string, { method = 'GET', body }: { method?: string; body?: string } = {}) => {
    if (away) return Promise.reject(new TypeError('no network'));
    const url = new URL(path, 'http://here');
    const row = rows.find((r) => url.pathname.includes(r.id));
    const respond = () => {
      if (method === 'GET') {
        const which = url.searchParams.get('which');
        const wanted = rows.filter((r) => which === null || r.binned === (which === 'binned'));
        return answer(200, answerReads(wanted, url));
      }
      if (method === 'POST' && !row) {
        const { name } = JSON.parse(body!) as { name: string };
        if (name === '') return refuse(422, 'A name is missing.');
        rows.push({ id: `row-${rows.length}-`, name, version: 1, binned: false });
        return answer(201, rows.at(-1));
      }
      if (!row || (row.binned && method !== 'POST')) return refuse(404, 'Not there.');
      if (method === 'PUT') {
        const { name, version } = JSON.parse(body!) as Row;
        if (version !== row.version) return refuse(409, 'Stale.');
        Object.assign(row, { name, version: version + 1 });
        return answer(200, row);
      }
      if (method === 'DELETE' && Number(url.searchParams.get('version')) !== row.version)
        return refuse(409, 'Stale.');
      row.binned = method === 'DELETE';
      row.version += 1;
      return answer(200, row);
    };
    return Promise.resolve(respond());
  };
  return {
    rows,
    fetch,
    goAway: () => {
      away = true;
    },
    comeBack: () => {
      away = false;
    },
  };
}

const words = { label: () => 'keeping it', notice: (r: { name: string }) => `Kept ${r.name}.` };
const content = (name: string) => ({ family: 'drum', name, layout: {} });

function keeping() {
  const backend = server();
  global.fetch = backend.fetch as typeof fetch;
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const wrapper = ({ children }: { children: ReactNode }) => (
    <QueryClientProvider client={client}>{children}</QueryClientProvider>
  );
  const hook = renderHook(
    () => ({ kept: useKeeping(layouts), list: layouts.useList().data, notice: useNotice() }),
    { wrapper },
  );
  const names = () => hook.result.current.list?.map((r) => r.name);
  return { backend, hook, names };
}

test('what is kept shows at once; undo and redo take it away and bring it back as often as one likes', async () => {
  const { backend, hook, names } = keeping();
  const seen: string[] = [];
  act(() => hook.result.current.kept.keep(content('Ours'), { ...words, onKept: (r) => seen.push(r.name) }));
  await waitFor(() => expect(names()).toEqual(['Ours']));
  expect(seen).toEqual(['Ours']);
  expect(hook.result.current.notice?.text).toBe('Kept Ours.');
  for (let i = 0; i < 3; i += 1) {
    await act(async () => expect(await undo()).toBe('keeping it'));
    await waitFor(() => expect(names()).toEqual([]));
    await act(async () => expect(await redo()).toBe('keeping it'));
    await waitFor(() => expect(names()).toEqual(['Ours']));
  }
  expect(backend.rows).toMatchObject([{ binned: false, version: 7 }]);
});

test('what is put away comes back by the notice and by undo, and goes again by redo', async () => {
  const { hook, names } = keeping();
  act(() => hook.result.current.kept.keep(content('Ours'), words));
  await waitFor(() => expect(names()).toEqual(['Ours']));
  let gone = 0;
  const putAway = () =>
    act(() => hook.result.current.kept.putAway(hook.result.current.list![0]!, () => (gone += 1)));
  putAway();
  await waitFor(() => expect(names()).toEqual([]));
  expect([gone, hook.result.current.notice?.text]).toEqual([1, 'Ours is in the bin.']);
  act(() => hook.result.current.notice!.action!.run());
  await waitFor(() => expect(names()).toEqual(['Ours']));
  putAway();
  await waitFor(() => expect(names()).toEqual([]));
  await act(async () => expect(await undo()).toBe('putting Ours into the bin'));
  await waitFor(() => expect(names()).toEqual(['Ours']));
  await act(async () => expect(await redo()).toBe('putting Ours into the bin'));
  await waitFor(() => expect(names()).toEqual([]));
});

test('a change is undone and made again on whatever version stands, and one made on a stale record is refused', async () => {
  const { backend, hook, names } = keeping();
  act(() => hook.result.current.kept.keep(content('Quay'), words));
  await waitFor(() => expect(names()).toEqual(['Quay']));
  const seen = hook.result.current.list![0]!;
  const change = (to: string) =>
    act(() =>
      hook.result.current.kept.change(seen, {
        before: content('Quay'),
        after: content(to),
        label: 'the name',
        notice: `It is ${to} now.`,
      }),
    );
  change('Pier');
  await waitFor(() => expect(names()).toEqual(['Pier']));
  expect(hook.result.current.notice?.text).toBe('It is Pier now.');
  for (let i = 0; i < 2; i += 1) {
    await act(async () => expect(await undo()).toBe('the name'));
    await waitFor(() => expect(names()).toEqual(['Quay']));
    await act(async () => expect(await redo()).toBe('the name'));
    await waitFor(() => expect(names()).toEqual(['Pier']));
  }
  change('Mole');
  await waitFor(() => expect(hook.result.current.notice?.text).toBe('Stale.'));
  expect(backend.rows.map((row) => row.name)).toEqual(['Pier']);
});

test('a row that goes with its record still says so, and undo brings both back', async () => {
  const backend = server();
  // Another list on the page answers later, so that the row is gone before all lists are renewed.
  global.fetch = (async (path: string, options?: { method?: string }) => {
    if (!path.startsWith('/api/questions')) return backend.fetch(path, options);
    await new Promise((later) => setTimeout(later, 60));
    return new Response('{"items":[],"next":null}');
  }) as typeof fetch;
  backend.rows.push({ id: 'row-0-', name: 'Quay', version: 1, binned: false });
  function Row({ record }: { record: LayoutRecord }) {
    const { putAway } = useKeeping(layouts);
    return <button onClick={() => putAway(record)}>{record.name}</button>;
  }
  function Page() {
    const notice = useNotice();
    const { data } = layouts.useList();
    questions.useList();
    return (
      <>
        {data?.map((record) => (
          <Row key={record.id} record={record} />
        ))}
        <p>{notice?.text}</p>
      </>
    );
  }
  render(
    <QueryClientProvider client={new QueryClient()}>
      <Page />
    </QueryClientProvider>,
  );
  fireEvent.click(await screen.findByRole('button', { name: 'Quay' }));
  await screen.findByText('Quay is in the bin.');
  await waitFor(() => expect(screen.queryByRole('button')).toBeNull());
  await act(async () => expect(await undo()).toBe('putting Quay into the bin'));
  await screen.findByRole('button', { name: 'Quay' });
});

test('a refusal and a server that is away are said; nothing changes, and undo can be tried again', async () => {
  const { backend, hook, names } = keeping();
  act(() => hook.result.current.kept.keep(content(''), words));
  await waitFor(() => expect(hook.result.current.notice?.text).toBe('A name is missing.'));
  expect(hook.result.current.kept.error?.message).toBe('A name is missing.');
  act(() => hook.result.current.kept.keep(content('Ours'), words));
  await waitFor(() => expect(names()).toEqual(['Ours']));
  backend.goAway();
  await act(async () => {
    await expect(undo()).rejects.toThrow('does not answer');
  });
  expect(backend.rows).toMatchObject([{ binned: false }]);
  backend.comeBack();
  await act(async () => expect(await undo()).toBe('keeping it'));
  await waitFor(() => expect(names()).toEqual([]));
});

test('undo does not go over what somebody else changed since, nor over a bin, unless told to', async () => {
  const { backend, hook, names } = keeping();
  act(() => hook.result.current.kept.keep(content('Quay'), words));
  await waitFor(() => expect(names()).toEqual(['Quay']));
  const seen = hook.result.current.list![0]!;
  const wanted = { before: content('Quay'), after: content('Pier'), label: 'the name', notice: 'Done.' };
  act(() => hook.result.current.kept.change(seen, wanted));
  await waitFor(() => expect(names()).toEqual(['Pier']));
  const row = backend.rows[0]!;
  Object.assign(row, { name: 'Theirs', version: row.version + 1 });
  await act(() => expect(undo()).rejects.toThrow('It was changed elsewhere since.'));
  expect(row.name).toBe('Theirs');
  await act(async () => expect(await undo({ anyway: true })).toBe('the name'));
  expect(row.name).toBe('Quay');
  Object.assign(row, { binned: true, version: row.version + 1 });
  await act(() => expect(redo()).rejects.toThrow('It was put into the bin since.'));
  await act(async () => expect(await redo({ anyway: true })).toBe('the name'));
  expect(row).toMatchObject({ name: 'Pier', binned: false });
  // Undoing what added it finds it in the bin already.
  Object.assign(row, { binned: true });
  await act(async () => expect(await undo({ anyway: true })).toBe('the name'));
  Object.assign(row, { binned: true });
  await act(async () => expect(await undo()).toBe('keeping it'));
});
