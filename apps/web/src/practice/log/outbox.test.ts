import type { LogEntry } from '@same-song/core/practice';
import { keepEntry, refusedEntries, retryEntry, sendWaiting, waitingEntries } from './outbox.ts';

const entry = (n: number, changes: Partial<LogEntry> = {}): LogEntry => ({
  entry: `00000000-0000-4000-8000-00000000000${n}`,
  revision: 1,
  at: '2026-05-04T17:30:00.000Z',
  name: 'Blues',
  itemId: '',
  personId: '',
  instrumentId: '',
  minutes: 1,
  tempo: 60,
  rounds: 1,
  clean: 1,
  keys: [],
  ways: {},
  note: '',
  ...changes,
});

const sent: LogEntry[] = [];
let answers: (() => Response | Error)[] = [];
beforeEach(() => {
  localStorage.clear();
  for (const { entry: one } of waitingEntries()) keepEntry(one, false);
  sent.length = 0;
  answers = [];
  globalThis.fetch = ((_: string, { body }: { body: string }) => {
    const answer = answers.shift()?.() ?? new Response('{}', { status: 201 });
    if (answer instanceof Error) return Promise.reject(answer);
    sent.push(JSON.parse(body) as LogEntry);
    return Promise.resolve(answer);
  }) as typeof fetch;
});
beforeEach(() => sendWaiting());
beforeEach(() => {
  sent.length = 0;
});

test('an entry is kept from its first round on, and sent once it is done', async () => {
  keepEntry(entry(1), true);
  expect(await sendWaiting()).toBe(0);
  keepEntry(entry(1, { revision: 2, rounds: 2 }), false);
  expect(await sendWaiting()).toBe(1);
  expect(sent).toEqual([entry(1, { revision: 2, rounds: 2 })]);
  expect(waitingEntries()).toEqual([]);
  expect(localStorage.length).toBe(0);
});

test('one that was left in a closed tab is sent later, and one being played elsewhere is left alone', async () => {
  keepEntry(entry(1), true, 0);
  keepEntry(entry(2), true, 80_000);
  expect(await sendWaiting(100_000)).toBe(1);
  expect(waitingEntries().map(({ entry: one }) => one.entry)).toEqual([entry(2).entry]);
});

test('while the server is away all wait, in their order, and go when it is back', async () => {
  keepEntry(entry(1), false);
  keepEntry(entry(2), false);
  answers = [() => new TypeError('no network')];
  expect(await sendWaiting()).toBe(0);
  expect(waitingEntries()).toHaveLength(2);
  answers = [];
  expect(await sendWaiting()).toBe(2);
  expect(waitingEntries()).toEqual([]);
});

const answer = (status: number) => () =>
  new Response(JSON.stringify({ status, code: 'no', message: 'No.', problems: [] }), { status });

test('one that the server refuses keeps no other back, is set aside, and can be sent again', async () => {
  keepEntry(entry(1), false);
  keepEntry(entry(2), false);
  answers = [answer(422)];
  expect(await sendWaiting()).toBe(1);
  expect(refusedEntries()).toEqual([{ entry: entry(1), reason: 'No.' }]);
  sent.length = 0;
  expect(await sendWaiting()).toBe(0);
  expect(sent).toEqual([]);
  expect(await retryEntry(entry(1).entry)).toBe(1);
  expect(waitingEntries()).toEqual([]);
});

test.each([401, 403, 408, 429, 500, 503])(
  '%d from the server keeps all, and stops asking',
  async (status) => {
    keepEntry(entry(1), false);
    keepEntry(entry(2), false);
    answers = [answer(status)];
    expect(await sendWaiting()).toBe(0);
    expect(sent).toHaveLength(1);
    expect(waitingEntries()).toHaveLength(2);
    expect(refusedEntries()).toEqual([]);
    expect(await sendWaiting()).toBe(2);
  },
);

test.each([400, 404, 413, 415])('%d keeps the entry it is about, and lets others go', async (status) => {
  keepEntry(entry(1), false);
  keepEntry(entry(2), false);
  answers = [answer(status)];
  expect(await sendWaiting()).toBe(1);
  expect(waitingEntries().map((one) => one.entry)).toEqual([entry(1)]);
  expect(await sendWaiting()).toBe(1);
  expect(waitingEntries()).toEqual([]);
});

test('a damaged value hides no other, and an entry from before the clock was put back is sent', async () => {
  localStorage.setItem('same-song.log.damaged', '{"entry":');
  keepEntry(entry(1), true, 900_000);
  expect(await sendWaiting(100_000)).toBe(1);
  localStorage.removeItem('same-song.log.damaged');
});

test('what is told anew while it is sent is sent again', async () => {
  keepEntry(entry(1), false);
  answers = [
    () => {
      keepEntry(entry(1, { revision: 2 }), false);
      return new Response('{}', { status: 201 });
    },
  ];
  await sendWaiting();
  expect(waitingEntries().map((one) => one.entry.revision)).toEqual([2]);
  await sendWaiting();
  expect(sent.map(({ revision }) => revision)).toEqual([1, 2]);
});
