import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { families, specFromPreset, type InstrumentSpec } from '@same-song/core/instruments';
import { specOf, type InstrumentRecord } from '../api/records.ts';
import { useNotice } from '../frame/notice.ts';
import { undo } from '../../test/history.ts';
import { RecordServer } from '../../test/recordServer.ts';
import { forgetSaved } from './drafts.ts';
import { useDraft } from './useDraft.ts';
import { useSaving } from './useSaving.ts';

const FIRST: InstrumentRecord = {
  ...specFromPreset('drum', families.drum.presets[0]!.id),
  name: 'Old name',
  id: 'one',
  version: 1,
};

/** A server with one instrument; answers to saves wait until they are let through. */
function editing() {
  const { id, version: _, ...content } = FIRST;
  const backend = new RecordServer().install();
  backend.add('instruments', id, content);
  backend.hold();
  const wrapper = ({ children }: { children: ReactNode }) => (
    <QueryClientProvider client={new QueryClient()}>{children}</QueryClientProvider>
  );
  const { result } = renderHook(
    () => ({ draft: useDraft(FIRST), saving: useSaving(FIRST), notice: useNotice()?.text }),
    { wrapper },
  );
  const type = (change: Partial<InstrumentSpec>) =>
    act(() => result.current.draft.change({ ...result.current.draft.spec, ...change }));
  const letThrough = async () => {
    await waitFor(() => expect(backend.waiting).toBeGreaterThan(0));
    await act(async () => {
      backend.letThrough();
      await new Promise((later) => setTimeout(later, 5));
    });
  };
  return {
    result,
    type,
    save: () => act(() => result.current.saving.save()),
    letThrough,
    saves: backend.seen,
    server: () => backend.answer(id) as unknown as InstrumentRecord,
    elsewhere: (change: Partial<InstrumentSpec>) => backend.changeElsewhere(id, change),
  };
}

beforeEach(() => {
  localStorage.clear();
  forgetSaved();
});

test('what is typed while a save is under way stays, and the next save is no conflict', async () => {
  const { result, type, save, letThrough, saves, server } = editing();
  type({ name: 'First' });
  save();
  type({ name: 'First and second' });
  await letThrough();
  await waitFor(() => expect(result.current.notice).toBe('First is saved.'));
  expect(result.current.draft).toMatchObject({ changed: true, spec: { name: 'First and second' } });
  save();
  await letThrough();
  await waitFor(() => expect(result.current.draft.changed).toBe(false));
  expect([server().name, saves]).toEqual(['First and second', [1, 2]]);
});

test('saved twice at once it is sent once; with something typed between, both are kept in order', async () => {
  const { result, type, save, letThrough, saves, server } = editing();
  type({ name: 'First' });
  save();
  save();
  await letThrough();
  await waitFor(() => expect(result.current.draft.changed).toBe(false));
  expect(saves).toEqual([1]);
  type({ name: 'Second' });
  save();
  type({ name: 'Third' });
  save();
  await letThrough();
  await letThrough();
  await waitFor(() => expect(result.current.draft.changed).toBe(false));
  expect([server().name, saves]).toEqual(['Third', [1, 2, 3]]);
});

test('what was changed elsewhere in other fields is put together and saved; undo brings back either', async () => {
  const { result, type, save, letThrough, server, elsewhere } = editing();
  elsewhere({ notes: 'Theirs.' });
  type({ name: 'Mine' });
  save();
  await letThrough();
  await letThrough();
  await waitFor(() => expect(server()).toMatchObject({ name: 'Mine', notes: 'Theirs.', version: 3 }));
  expect(result.current.saving.clash).toBeUndefined();
  await waitFor(() => expect(result.current.notice).toBe('Mine is saved, with what was changed elsewhere.'));
  const undone = undo();
  await letThrough();
  expect(await undone).toBe('saving Mine');
  expect(server()).toMatchObject({ name: 'Old name', notes: 'Theirs.' });
});

test('what both changed is asked about, and only that', async () => {
  const { result, type, save, letThrough, server, elsewhere } = editing();
  elsewhere({ name: 'Theirs', a4: 442 });
  type({ name: 'Mine', notes: 'Mine.' });
  save();
  await letThrough();
  await waitFor(() => expect(result.current.saving.clash?.fields).toEqual(['name']));
  expect(result.current.draft.spec.name).toBe('Mine');
  expect(server().name).toBe('Theirs');
  act(() => result.current.saving.clash!.choose(['name']));
  await letThrough();
  await waitFor(() => expect(server()).toMatchObject({ name: 'Theirs', notes: 'Mine.', a4: 442 }));
  expect(result.current.saving.clash).toBeUndefined();
  await waitFor(() => expect(result.current.draft.changed).toBe(false));
  // Back to their text, then to mine as it was typed.
  const undone = undo();
  await letThrough();
  await undone;
  expect(specOf(server())).toMatchObject({ name: 'Theirs', notes: '', a4: 442 });
  await act(async () => void (await undo()));
  expect(result.current.draft.spec).toMatchObject({ name: 'Mine', notes: 'Mine.' });
});

test('taking all that is there needs no save, and undo brings mine back', async () => {
  const { result, type, save, letThrough, saves, elsewhere } = editing();
  elsewhere({ name: 'Theirs' });
  type({ name: 'Mine' });
  save();
  await letThrough();
  await waitFor(() => expect(result.current.saving.clash).toBeDefined());
  act(() => result.current.saving.clash!.choose(['name']));
  expect([result.current.draft.changed, result.current.draft.spec.name, saves]).toEqual([
    false,
    'Theirs',
    [1],
  ]);
  await act(async () => void (await undo()));
  expect(result.current.draft.spec.name).toBe('Mine');
});
