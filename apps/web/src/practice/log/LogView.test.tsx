import { act, fireEvent, render, screen } from '@testing-library/react';
import { useSyncExternalStore } from 'react';
import { currentEntries, type LogEntry } from '@same-song/core/practice';
import { redo, undo } from '../../../test/history.ts';
import { pageAt } from '../../../test/page.tsx';
import type { Practice } from '../usePracticeData.ts';
import { LogView } from './LogView.tsx';
import { entriesSeen, keepEntry, onEntries } from './outbox.ts';

const entry = (id: string, part: Partial<LogEntry> = {}): LogEntry => ({
  entry: id,
  revision: 1,
  at: '2026-05-04T18:30:00.000Z',
  name: `Played ${id}`,
  itemId: '',
  personId: '',
  instrumentId: '',
  minutes: 12.34,
  tempo: 84.6,
  rounds: 5,
  clean: 3,
  keys: [],
  ways: {},
  note: '',
  ...part,
});

/** The log as the page has it: what waits, with the newest revision of each. */
function Log() {
  const waiting = useSyncExternalStore(onEntries, entriesSeen);
  const practice = { entries: currentEntries(waiting), who: '' } as unknown as Practice;
  return <LogView practice={practice} />;
}

const rows = () =>
  screen
    .getAllByRole('row')
    .filter((row) => row.hasAttribute('data-index'))
    .map((row) => [...row.children].slice(1, 6).map((cell) => cell.textContent));
const press = (name: RegExp | string) => fireEvent.click(screen.getByRole('button', { name }));
const type = (label: string, text: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value: text } });

beforeEach(() => {
  localStorage.clear();
  globalThis.fetch = () => Promise.reject(new TypeError('away'));
  jest.spyOn(HTMLElement.prototype, 'offsetHeight', 'get').mockReturnValue(800);
});

test('entries are listed, the newest first, rounded; nothing says so where there is none', () => {
  render(<Log />, { wrapper: pageAt('/practice/log') });
  expect(screen.getByText(/Nothing has been played yet/)).toBeTruthy();
  act(() => keepEntry(entry('a'), false));
  act(() => keepEntry(entry('b', { rounds: 0, clean: 0, tempo: 0, note: 'with Ilse' }), false));
  expect(rows()).toEqual([
    ['Played b', '12.3', '', '', 'with Ilse'],
    ['Played a', '12.3', '85', '3 of 5', ''],
  ]);
});

test('an entry is set right, a wrong value is said, and undo and redo tell it anew', async () => {
  render(<Log />, { wrapper: pageAt('/practice/log') });
  act(() => keepEntry(entry('a'), false));
  press(/^change Played a/);
  type('Minutes', '-1');
  expect(screen.getByRole('alert').textContent).toBe('Minutes are 0 to 1440.');
  expect(screen.getByRole('button', { name: 'keep' }).hasAttribute('disabled')).toBe(true);
  type('Minutes', '20');
  type('Tempo', '401');
  expect(screen.getByRole('alert').textContent).toContain('A tempo is 0 to 400');
  type('Tempo', '0');
  type('What', '  ');
  expect(screen.getByRole('alert').textContent).toBe('It needs a name.');
  type('What', 'Slow air');
  press('keep');
  expect(rows()).toEqual([['Slow air', '20', '', '3 of 5', '']]);
  await act(async () => expect(await undo()).toBe('setting right Played a'));
  expect(rows()).toEqual([['Played a', '12.3', '85', '3 of 5', '']]);
  await act(async () => void (await redo()));
  expect(rows()).toEqual([['Slow air', '20', '', '3 of 5', '']]);
  expect(entriesSeen().find(({ entry: id }) => id === 'a')!.revision).toBe(4);
});

test('one is taken out and comes back by undo; left as it was, nothing is told', async () => {
  render(<Log />, { wrapper: pageAt('/practice/log') });
  act(() => keepEntry(entry('a'), false));
  press(/^change Played a/);
  press('leave');
  expect(entriesSeen()[0]!.revision).toBe(1);
  press(/^take out Played a/);
  expect(screen.getByText(/Nothing has been played yet/)).toBeTruthy();
  await act(async () => void (await undo()));
  expect(rows()).toHaveLength(1);
});

test('what was played without the stand is written down, and is open to be set right at once', () => {
  render(<Log />, { wrapper: pageAt('/practice/log') });
  press('Write one down');
  type('Note', 'in the park');
  press('keep');
  expect(rows()).toEqual([['Played without the stand', '10', '', '', 'in the park']]);
});

test('of ten thousand entries only those in view are drawn, and all are counted', () => {
  const many = Array.from({ length: 10_000 }, (_, i) => entry(`e${i}`));
  const practice = { entries: many, who: '' } as unknown as Practice;
  render(<LogView practice={practice} />, { wrapper: pageAt('/practice/log') });
  expect(rows().length).toBeLessThan(120);
  expect(screen.getByRole('table').getAttribute('aria-rowcount')).toBe('10001');
});
