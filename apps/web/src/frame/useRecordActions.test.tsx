import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, fireEvent, render, renderHook, screen, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { redo, undo } from '../../test/history.ts';
import { RecordServer } from '../../test/recordServer.ts';
import { questions, layouts, type LayoutRecord } from '../api/records.ts';
import { useNotice } from './notice.ts';
import { useRecordActions } from './useRecordActions.ts';

const words = { label: () => 'keeping it', notice: (r: { name: string }) => `Kept ${r.name}.` };
const content = (name: string) => ({ family: 'drum', name, layout: {} });

function keeping() {
  const backend = new RecordServer().install();
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const wrapper = ({ children }: { children: ReactNode }) => (
    <QueryClientProvider client={client}>{children}</QueryClientProvider>
  );
  const hook = renderHook(
    () => ({ kept: useRecordActions(layouts), list: layouts.useList().data, notice: useNotice() }),
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
  const moveToBin = () =>
    act(() => hook.result.current.kept.moveToBin(hook.result.current.list![0]!, () => (gone += 1)));
  moveToBin();
  await waitFor(() => expect(names()).toEqual([]));
  expect([gone, hook.result.current.notice?.text]).toEqual([1, 'Ours is in the bin.']);
  act(() => hook.result.current.notice!.action!.run());
  await waitFor(() => expect(names()).toEqual(['Ours']));
  moveToBin();
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
  expect(backend.rows.map((row) => row.content['name'])).toEqual(['Pier']);
});

test('a row that goes with its record still says so, and undo brings both back', async () => {
  const backend = new RecordServer().install();
  const answer = global.fetch;
  // Another list on the page answers later, so that the row is gone before all lists are renewed.
  global.fetch = (async (path: string, options?: { method?: string }) => {
    if (!path.startsWith('/api/questions')) return answer(path, options);
    await new Promise((later) => setTimeout(later, 60));
    return new Response('{"items":[],"next":null}');
  }) as typeof fetch;
  backend.add('layouts', 'row-0', content('Quay'));
  function Row({ record }: { record: LayoutRecord }) {
    const { moveToBin } = useRecordActions(layouts);
    return <button onClick={() => moveToBin(record)}>{record.name}</button>;
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
  act(() =>
    hook.result.current.kept.change(seen, { after: content('Pier'), label: 'the name', notice: 'Done.' }),
  );
  await waitFor(() => expect(names()).toEqual(['Pier']));
  const row = backend.rows[0]!;
  backend.changeElsewhere(row.id, { name: 'Theirs' });
  await act(() => expect(undo()).rejects.toThrow('It was changed since.'));
  expect(row.content['name']).toBe('Theirs');
  await act(async () => expect(await undo({ anyway: true })).toBe('the name'));
  expect(row.content['name']).toBe('Quay');
  backend.binElsewhere(row.id);
  await act(() => expect(redo()).rejects.toThrow('It was put into the bin since.'));
  await act(async () => expect(await redo({ anyway: true })).toBe('the name'));
  expect(row).toMatchObject({ content: { name: 'Theirs' }, binned: false });
});

test('many are kept in few requests; undo goes on where it was refused, and redo brings back all', async () => {
  const { backend, hook, names } = keeping();
  const asked: string[] = [];
  const answer = global.fetch;
  global.fetch = ((path: string, options?: RequestInit) => {
    if (options?.method === 'POST') asked.push(path);
    return answer(path, options);
  }) as typeof fetch;
  const progress: number[] = [];
  const contents = Array.from({ length: 250 }, (_, n) => content(`No. ${n}`));
  await act(() =>
    hook.result.current.kept.keepAll(contents, { label: 'reading', onProgress: (n) => progress.push(n) }),
  );
  expect([progress, asked]).toEqual([
    [100, 200, 250],
    ['/api/changes', '/api/changes', '/api/changes'],
  ]);
  expect(hook.result.current.notice?.text).toBe('250 records kept.');
  // The second hundred cannot be taken away without asking.
  backend.changeElsewhere('row-150', { name: 'Theirs' });
  await act(() => expect(undo()).rejects.toThrow('It was changed since.'));
  await act(async () => expect(await undo({ anyway: true })).toBe('reading'));
  await waitFor(() => expect(names()).toEqual([]));
  await act(async () => expect(await redo()).toBe('reading'));
  await waitFor(() => expect(names()).toHaveLength(250));
});

test('where one of many is refused, what was made before it stands and can be undone', async () => {
  const { backend, hook, names } = keeping();
  const contents = Array.from({ length: 150 }, (_, n) => content(n === 120 ? '' : `No. ${n}`));
  await act(() =>
    hook.result.current.kept.keepAll(contents, { label: 'reading', onProgress: () => undefined }),
  );
  await waitFor(() => expect(names()).toBeDefined());
  expect(hook.result.current.notice?.text).toBe('100 records kept.');
  await act(async () => expect(await undo()).toBe('reading'));
  expect(backend.rows).toHaveLength(100);
  expect(backend.rows.every(({ binned }) => binned)).toBe(true);
});
