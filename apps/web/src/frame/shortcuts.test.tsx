import { fireEvent, render } from '@testing-library/react';
import { keyText, useAllShortcuts, useShortcuts, useSingleKeys, type Shortcut } from './shortcuts.ts';

const shortcut = (key: string, run: () => void, more: Partial<Shortcut> = {}): Shortcut => ({
  key,
  label: `does ${key}`,
  group: 'test',
  run,
  ...more,
});

function Keys({ shortcuts, children }: { shortcuts: readonly Shortcut[]; children?: React.ReactNode }) {
  useShortcuts(shortcuts);
  return <div>{children}</div>;
}

const press = (key: string, more: object = {}, target: Element = document.body) =>
  fireEvent.keyDown(target, { key, ...more });

test('a key does what it says, in either case, and no longer once its owner is gone', () => {
  const run = jest.fn();
  const { unmount } = render(<Keys shortcuts={[shortcut('k', run)]} />);
  expect(press('k')).toBe(false);
  press('K');
  expect(run).toHaveBeenCalledTimes(2);
  press('j');
  press('k', { altKey: true });
  expect(run).toHaveBeenCalledTimes(2);
  unmount();
  expect(press('k')).toBe(true);
  expect(run).toHaveBeenCalledTimes(2);
});

test('the innermost owner of a key wins, and gives it back when it goes', () => {
  const outer = jest.fn();
  const inner = jest.fn();
  const page = (open: boolean) => (
    <Keys shortcuts={[shortcut('m', outer)]}>{open && <Keys shortcuts={[shortcut('m', inner)]} />}</Keys>
  );
  const { rerender } = render(page(false));
  rerender(page(true));
  press('m');
  expect([outer.mock.calls.length, inner.mock.calls.length]).toEqual([0, 1]);
  rerender(page(false));
  press('m');
  expect([outer.mock.calls.length, inner.mock.calls.length]).toEqual([1, 1]);
});

test('what a key does is what its owner last said', () => {
  const said: number[] = [];
  const page = (n: number) => <Keys shortcuts={[shortcut('n', () => said.push(n))]} />;
  const { rerender } = render(page(1));
  press('n');
  rerender(page(2));
  press('n');
  expect(said).toEqual([1, 2]);
});

test('nothing is a shortcut while something is typed, in a dialog, or where the browser has its own meaning', () => {
  const run = jest.fn();
  const { container } = render(
    <Keys shortcuts={[shortcut('k', run), shortcut(' ', run), shortcut('z', run, { ctrl: true })]}>
      <input />
      <select />
      <textarea />
      <div role="dialog">
        <span />
      </div>
      <button type="button" />
    </Keys>,
  );
  for (const selector of ['input', 'select', 'textarea', '[role="dialog"] span'])
    press('k', {}, container.querySelector(selector)!);
  press(' ', {}, container.querySelector('button')!);
  press('k', { ctrlKey: true });
  press('z');
  expect(run).not.toHaveBeenCalled();
  press('k', {}, container.querySelector('button')!);
  press('z', { ctrlKey: true });
  press('z', { metaKey: true });
  expect(run).toHaveBeenCalledTimes(3);
});

test('with and without Shift are two keys where both are named', () => {
  const pressed: string[] = [];
  render(
    <Keys
      shortcuts={[
        shortcut('l', () => pressed.push('l'), { shift: false }),
        shortcut('l', () => pressed.push('shift l'), { shift: true, label: 'back' }),
      ]}
    />,
  );
  press('l');
  press('L', { shiftKey: true });
  expect(pressed).toEqual(['l', 'shift l']);
});

test('every key in force is listed as it is printed on a keyboard', () => {
  const seen: string[] = [];
  function Sheet() {
    seen.splice(0, Infinity, ...useAllShortcuts().map(keyText));
    return null;
  }
  const run = () => undefined;
  render(
    <Keys
      shortcuts={[
        shortcut(' ', run),
        shortcut('ArrowLeft', run),
        shortcut('z', run, { ctrl: true, shift: true }),
        shortcut('?', run),
      ]}
    >
      <Sheet />
    </Keys>,
  );
  expect(seen).toEqual(['Space', '←', 'Ctrl Shift Z', '?']);
});

test('a list of keys that is open follows what comes and goes elsewhere on the page', () => {
  let seen: string[] = [];
  function Sheet() {
    seen = useAllShortcuts().map(keyText);
    return null;
  }
  render(<Sheet />);
  const { unmount } = render(<Keys shortcuts={[shortcut('q', () => undefined)]} />);
  expect(seen).toEqual(['Q']);
  unmount();
  expect(seen).toEqual([]);
});

test('with Ctrl a key that is meant for it works inside a field too, and does not reach the browser', () => {
  const [save, undo] = [jest.fn(), jest.fn()];
  const { container } = render(
    <Keys
      shortcuts={[shortcut('s', save, { ctrl: true, inFields: true }), shortcut('z', undo, { ctrl: true })]}
    >
      <textarea />
      <div role="dialog">
        <input />
      </div>
    </Keys>,
  );
  const field = container.querySelector('textarea')!;
  expect(press('s', { ctrlKey: true }, field)).toBe(false);
  // Undoing letter by letter is the browser's.
  expect(press('z', { ctrlKey: true }, field)).toBe(true);
  press('s', {}, field);
  press('s', { ctrlKey: true }, container.querySelector('[role="dialog"] input')!);
  expect([save.mock.calls.length, undo.mock.calls.length]).toEqual([1, 0]);
});

test('a held key walks on, and does everything else once', () => {
  const [walk, flip] = [jest.fn(), jest.fn()];
  render(<Keys shortcuts={[shortcut('ArrowRight', walk, { repeats: true }), shortcut('t', flip)]} />);
  for (const repeat of [false, true, true]) {
    press('ArrowRight', { repeat });
    expect(press('t', { repeat })).toBe(false);
  }
  expect([walk.mock.calls.length, flip.mock.calls.length]).toEqual([3, 1]);
});

test('a checkbox, a radio or a tab takes only the keys that mean something there', () => {
  const run = jest.fn();
  const { container } = render(
    <Keys shortcuts={['k', ' ', 'ArrowDown', 'ArrowLeft'].map((key) => shortcut(key, run))}>
      <input type="checkbox" />
      <input type="radio" />
      <button type="button" role="tab" />
    </Keys>,
  );
  const taken = (selector: string) =>
    ['k', ' ', 'ArrowDown', 'ArrowLeft'].filter((key) => press(key, {}, container.querySelector(selector)!));
  expect(taken('[type="checkbox"]')).toEqual([' ']);
  expect(taken('[type="radio"]')).toEqual([' ', 'ArrowDown', 'ArrowLeft']);
  expect(taken('[role="tab"]')).toEqual([' ', 'ArrowLeft']);
});

test('single characters can be switched off; arrows, Space and what goes with Ctrl stay', () => {
  const run = jest.fn();
  const all = [shortcut('k', run), shortcut('?', run), shortcut('1', run)];
  const kept = [shortcut(' ', run), shortcut('ArrowLeft', run), shortcut('z', run, { ctrl: true })];
  function Page({ on }: { on: boolean }) {
    useSingleKeys(on);
    return <Keys shortcuts={[...all, ...kept]} />;
  }
  const { rerender } = render(<Page on={false} />);
  for (const { key } of all) press(key);
  expect(run).not.toHaveBeenCalled();
  for (const { key, ctrl } of kept) press(key, { ctrlKey: ctrl });
  expect(run).toHaveBeenCalledTimes(3);
  rerender(<Page on />);
  for (const { key } of all) press(key);
  expect(run).toHaveBeenCalledTimes(6);
});
