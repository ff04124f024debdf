import { act, renderHook } from '@testing-library/react';
import { families, specFromPreset } from '@same-song/core';
import type { InstrumentRecord } from '../api/records.ts';
import { useDraft } from './useDraft.ts';

const record = (version = 1): InstrumentRecord => ({
  ...specFromPreset('drum', families.drum.presets[0]!.id),
  name: 'Old name',
  id: 'one',
  version,
});
const open = (from = record()) => renderHook((r: InstrumentRecord) => useDraft(r), { initialProps: from });

beforeEach(() => sessionStorage.clear());

test('what is typed outlives the page, with the version it was begun on', () => {
  const first = open();
  expect(first.result.current).toMatchObject({ changed: false, version: 1 });
  act(() => first.result.current.change({ ...first.result.current.spec, name: 'New name' }));
  first.unmount();
  const again = open(record(5));
  expect(again.result.current).toMatchObject({ changed: true, version: 1, spec: { name: 'New name' } });
  expect(again.result.current.saved.name).toBe('Old name');
});

test('typed back to what is saved there is no draft; a dropped one is gone for good', () => {
  const { result, unmount } = open();
  const type = (name: string) => act(() => result.current.change({ ...result.current.spec, name }));
  type('New name');
  expect(result.current.changed).toBe(true);
  type('Old name');
  expect(result.current.changed).toBe(false);
  type('Another');
  act(() => result.current.drop());
  expect(result.current).toMatchObject({ changed: false, spec: { name: 'Old name' } });
  unmount();
  expect(open().result.current.changed).toBe(false);
});

test('each instrument has a draft of its own', () => {
  const { result } = open();
  act(() => result.current.change({ ...result.current.spec, name: 'Mine' }));
  expect(open({ ...record(), id: 'two' }).result.current.changed).toBe(false);
});

test.each(['{', 'null', '""'])('what is no draft in the browser’s store (%s) is passed over', (stored) => {
  sessionStorage.setItem('same-song.draft.one', stored);
  expect(open().result.current).toMatchObject({ changed: false, spec: { name: 'Old name' } });
});

test('a browser without storage keeps the draft while the page is open', () => {
  const setItem = jest.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
    throw new DOMException('full', 'QuotaExceededError');
  });
  const { result } = open();
  act(() => result.current.change({ ...result.current.spec, name: 'New name' }));
  expect(result.current.spec.name).toBe('New name');
  setItem.mockRestore();
});
