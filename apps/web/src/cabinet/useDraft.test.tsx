import { act, renderHook } from '@testing-library/react';
import { families, specFromPreset } from '@same-song/core/instruments';
import type { InstrumentRecord } from '../api/records.ts';
import { draftOf, forgetSaved, rebaseDraft } from './drafts.ts';
import { useDraft } from './useDraft.ts';

const record = (version = 1): InstrumentRecord => ({
  ...specFromPreset('drum', families.drum.presets[0]!.id),
  name: 'Old name',
  id: 'one',
  version,
});
const open = (from = record()) => renderHook((r: InstrumentRecord) => useDraft(r), { initialProps: from });

/** As if the browser had been closed and opened again. */
const anotherDay = () => forgetSaved();

beforeEach(() => {
  localStorage.clear();
  forgetSaved();
});

test('what is typed outlives the browser, with the text it was begun on', () => {
  const first = open();
  expect(first.result.current.changed).toBe(false);
  act(() => first.result.current.change({ ...first.result.current.spec, name: 'New name' }));
  first.unmount();
  anotherDay();
  const again = open(record(5));
  expect(again.result.current).toMatchObject({ changed: true, spec: { name: 'New name' } });
  expect(draftOf('one')!.base).toMatchObject({ version: 1, spec: { name: 'Old name' } });
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
  anotherDay();
  expect(open().result.current.changed).toBe(false);
});

test('each instrument has a draft of its own', () => {
  const { result } = open();
  act(() => result.current.change({ ...result.current.spec, name: 'Mine' }));
  expect(open({ ...record(), id: 'two' }).result.current.changed).toBe(false);
});

test.each(['{', 'null', '""', '{"spec":{"family":"drum"},"base":{"version":1}}'])(
  'what is no draft in the browser’s store (%s) is passed over',
  (stored) => {
    localStorage.setItem('same-song.draft.one', stored);
    expect(open().result.current).toMatchObject({ changed: false, spec: { name: 'Old name' } });
  },
);

test('a browser without storage keeps the draft while the page is open', () => {
  const setItem = jest.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
    throw new DOMException('full', 'QuotaExceededError');
  });
  const { result } = open();
  act(() => result.current.change({ ...result.current.spec, name: 'New name' }));
  expect(result.current.spec.name).toBe('New name');
  setItem.mockRestore();
});

test('what was typed while a save was under way is a draft on top of it; what was sent is none', () => {
  const { result } = open();
  const type = (name: string) => act(() => result.current.change({ ...result.current.spec, name }));
  type('Sent ');
  const sent = draftOf('one')!.spec;
  const saved = { spec: { ...sent, name: 'Sent' }, version: 2 };
  act(() => rebaseDraft('one', saved, sent));
  expect(result.current).toMatchObject({ changed: false, spec: { name: 'Sent' } });
  type('Sent and more');
  act(() => rebaseDraft('one', { ...saved, version: 3 }, sent));
  expect(result.current).toMatchObject({ changed: true, spec: { name: 'Sent and more' } });
  expect(draftOf('one')!.base.version).toBe(3);
});

test('an older list does not bring an older text back, a newer one brings its own', () => {
  const { result, rerender } = open();
  act(() =>
    rebaseDraft('one', { spec: { ...result.current.spec, name: 'Second' }, version: 2 }, result.current.spec),
  );
  rerender(record(1));
  expect(result.current.spec.name).toBe('Second');
  rerender({ ...record(3), name: 'Third' });
  expect(result.current.spec.name).toBe('Third');
});
