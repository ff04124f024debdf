import { redo, remember, undo } from './undo.ts';

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
