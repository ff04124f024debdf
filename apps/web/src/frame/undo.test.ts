import { redo, undo } from '../../test/history.ts';
import { ChangedSince, remember } from './undo.ts';

/** A value with changes that can be taken back. */
function counter() {
  const seen: string[] = [];
  const change = (label: string, fails = false) =>
    remember({
      label,
      undo: () => {
        if (fails) throw new Error('not now');
        seen.push(`-${label}`);
      },
      redo: () => void seen.push(`+${label}`),
    });
  return { seen, change };
}

async function empty(): Promise<void> {
  while ((await undo().catch(() => undefined)) !== undefined);
}

beforeEach(empty);

test('the last change goes first, and comes back in order', async () => {
  const { seen, change } = counter();
  change('a');
  change('b');
  expect(await undo()).toBe('b');
  expect(await undo()).toBe('a');
  expect(await undo()).toBeUndefined();
  expect(await redo()).toBe('a');
  expect(await redo()).toBe('b');
  expect(await redo()).toBeUndefined();
  expect(seen).toEqual(['-b', '-a', '+a', '+b']);
});

test('a new change ends what could be made again', async () => {
  const { change } = counter();
  change('a');
  await undo();
  change('b');
  expect(await redo()).toBeUndefined();
  expect(await undo()).toBe('b');
});

test('a change that cannot be taken back now stays the next to be taken back', async () => {
  let ready = false;
  remember({
    label: 'stubborn',
    undo: () => (ready ? Promise.resolve() : Promise.reject(new Error('offline'))),
    redo: () => undefined,
  });
  await expect(undo()).rejects.toThrow('offline');
  ready = true;
  expect(await undo()).toBe('stubborn');
});

test('two hundred changes are remembered, older ones are let go', async () => {
  const { change } = counter();
  for (let i = 0; i < 260; i += 1) change(String(i));
  let count = 0;
  while ((await undo()) !== undefined) count += 1;
  expect(count).toBe(200);
});

test('two asked for at once take back two changes, one after the other', async () => {
  const seen: string[] = [];
  const slow = (label: string, ms: number) =>
    remember({
      label,
      undo: async () => {
        await new Promise((later) => setTimeout(later, ms));
        seen.push(label);
      },
      redo: () => undefined,
    });
  slow('a', 1);
  slow('b', 20);
  expect(await Promise.all([undo(), undo(), undo()])).toEqual(['b', 'a', undefined]);
  expect(seen).toEqual(['b', 'a']);
});

test('a change made while another is taken back stays the next one; one can be named wherever it stands', async () => {
  const { change } = counter();
  let finish: () => void = () => undefined;
  remember({
    label: 'slow',
    undo: () => new Promise<void>((done) => (finish = done)),
    redo: () => undefined,
  });
  const going = undo();
  await Promise.resolve();
  change('meanwhile');
  finish();
  expect(await going).toBe('slow');
  const named = { label: 'named', undo: () => undefined, redo: () => undefined };
  remember(named);
  change('after it');
  expect(await undo({ of: named })).toBe('named');
  expect(await undo({ of: named })).toBeUndefined();
  expect([await undo(), await undo(), await undo()]).toEqual(['after it', 'meanwhile', undefined]);
});

test('what somebody else changed since is gone over only when that is wished', async () => {
  const change = {
    label: 'mine',
    undo: (anyway = false) => {
      if (!anyway) throw new ChangedSince('It was changed since.');
    },
    redo: () => undefined,
  };
  remember(change);
  await expect(undo()).rejects.toMatchObject({ message: 'It was changed since.', of: change });
  expect(await undo({ of: change, anyway: true })).toBe('mine');
});
