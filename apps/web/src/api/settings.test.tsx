import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { families } from '@same-song/core/instruments';
import { DEFAULT_SETTINGS } from '@same-song/core/records';
import { dialectOf, useSettings } from './settings.ts';

beforeEach(() => {
  localStorage.clear();
});

/** A server with settings of version 4; the first save comes too late when `stale`, none arrives when it `hangs`. */
function settingsFrom({ stale = false, gone = false, hangs = false } = {}) {
  let away = gone;
  let standing = { value: { ...DEFAULT_SETTINGS, theme: 'paper' }, version: 4 };
  let late = stale;
  const puts: unknown[] = [];
  global.fetch = ((_: string, { method, body }: { method?: string; body?: string } = {}) => {
    if (away) return Promise.reject(new TypeError('no network'));
    if (method !== 'PUT') return Promise.resolve(new Response(JSON.stringify(standing)));
    puts.push(JSON.parse(body!));
    if (hangs) return new Promise(() => undefined);
    if ('nonsense' in (puts.at(-1) as typeof standing).value) {
      const error = { status: 422, code: 'invalid', message: 'no such setting', problems: [] };
      return Promise.resolve(new Response(JSON.stringify(error), { status: 422 }));
    }
    if (late) standing = { value: { ...standing.value, staff: true }, version: 5 };
    late = false;
    if ((puts.at(-1) as typeof standing).version !== standing.version) {
      const error = {
        status: 409,
        code: 'stale',
        message: 'changed elsewhere',
        problems: [],
        current: standing,
      };
      return Promise.resolve(new Response(JSON.stringify(error), { status: 409 }));
    }
    const { value } = JSON.parse(body!) as typeof standing;
    standing = { value, version: standing.version + 1 };
    return Promise.resolve(new Response(JSON.stringify(standing)));
  }) as typeof fetch;
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const wrapper = ({ children }: { children: ReactNode }) => (
    <QueryClientProvider client={client}>{children}</QueryClientProvider>
  );
  const comeBack = () => {
    away = false;
  };
  return { puts, standing: () => standing, comeBack, ...renderHook(useSettings, { wrapper }) };
}

test('a change shows at once and is saved behind, with all that stands', async () => {
  const { result, puts, standing } = settingsFrom();
  expect([result.current.loaded, result.current.settings]).toEqual([false, DEFAULT_SETTINGS]);
  await waitFor(() => expect(result.current.loaded).toBe(true));
  act(() => result.current.change({ naming: 'sharps' }));
  await waitFor(() => expect(result.current.settings).toMatchObject({ naming: 'sharps', theme: 'paper' }));
  await waitFor(() => expect(standing().version).toBe(5));
  expect(puts).toEqual([{ value: { ...DEFAULT_SETTINGS, theme: 'paper', naming: 'sharps' }, version: 4 }]);
});

test('settings changed elsewhere meanwhile keep both changes', async () => {
  const { result, puts, standing } = settingsFrom({ stale: true });
  await waitFor(() => expect(result.current.loaded).toBe(true));
  act(() => result.current.change({ naming: 'sharps' }));
  await waitFor(() => expect(standing().version).toBe(6));
  expect(puts).toHaveLength(2);
  expect(standing().value).toMatchObject({ naming: 'sharps', staff: true, theme: 'paper' });
  await waitFor(() => expect(result.current.settings).toMatchObject({ naming: 'sharps', staff: true }));
});

test('without a server a change shows all the same, waits, and is sent when it is back', async () => {
  const { result, comeBack, standing, puts } = settingsFrom({ gone: true });
  act(() => result.current.change({ staff: true }));
  act(() => result.current.change({ naming: 'sharps' }));
  await waitFor(() =>
    expect(result.current.settings).toEqual({ ...DEFAULT_SETTINGS, staff: true, naming: 'sharps' }),
  );
  comeBack();
  await waitFor(() => expect(standing().value).toMatchObject({ staff: true, naming: 'sharps' }), LONG);
  expect(standing().value.theme).toBe('paper');
  await waitFor(() => expect(result.current.settings).toEqual(standing().value));
  expect(puts).toHaveLength(2);
}, 10_000);

/** A server that was away is tried again after two seconds. */
const LONG = { timeout: 5_000 };

test('what is changed while another change is sent stays, and is sent next', async () => {
  const { result, standing } = settingsFrom();
  await waitFor(() => expect(result.current.loaded).toBe(true));
  act(() => {
    result.current.change({ naming: 'sharps' });
    result.current.change({ naming: 'simple' });
    result.current.change({ staff: true });
  });
  await waitFor(() => expect(standing().value).toMatchObject({ naming: 'simple', staff: true }));
  await waitFor(() => expect(result.current.settings).toMatchObject({ naming: 'simple', staff: true }));
});

test('what the server had not got when the page was left is sent by the next page', async () => {
  const before = settingsFrom({ hangs: true });
  await waitFor(() => expect(before.result.current.loaded).toBe(true));
  act(() => before.result.current.change({ naming: 'sharps' }));
  await waitFor(() => expect(before.puts).toHaveLength(1));
  before.unmount();
  const { result, standing, puts } = settingsFrom({ stale: true });
  await waitFor(() => expect(result.current.loaded).toBe(true));
  expect(result.current.settings).toMatchObject({ naming: 'sharps', theme: 'paper', staff: true });
  expect(standing().value).toMatchObject({ naming: 'sharps', theme: 'paper', staff: true });
  expect(puts).toHaveLength(2);
  expect(localStorage.length).toBe(0);
});

test.each(['{"nonsense":1}', 'not json', '7', 'null'])(
  'what no server takes (%s) is let go of, and what is changed then is kept',
  async (left) => {
    localStorage.setItem('same-song.settings', left);
    const { result, standing } = settingsFrom();
    await waitFor(() => expect(result.current.loaded).toBe(true));
    expect(result.current.settings).toEqual({ ...DEFAULT_SETTINGS, theme: 'paper' });
    act(() => result.current.change({ naming: 'sharps' }));
    await waitFor(() => expect(standing().value.naming).toBe('sharps'));
  },
);

test('tab is written as the user has chosen for a family, or as it comes first', () => {
  const { diatonic } = families;
  const second = diatonic.dialects[1]!.id;
  expect(dialectOf({ ...DEFAULT_SETTINGS, dialects: { diatonic: second } }, diatonic)).toBe(second);
  expect(dialectOf({ ...DEFAULT_SETTINGS, dialects: {} }, diatonic)).toBe(diatonic.dialects[0]!.id);
});
