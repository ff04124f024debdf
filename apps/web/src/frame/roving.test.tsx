import { fireEvent, render, screen } from '@testing-library/react';
import { useRoving } from './roving.ts';

function List({ names, chosen, arrows }: { names: readonly string[]; chosen?: string; arrows?: boolean }) {
  const roving = useRoving<HTMLUListElement>('[role="option"]', arrows);
  return (
    <ul role="listbox" {...roving}>
      {names.map((name) => (
        <li key={name} role="option" tabIndex={-1} aria-selected={name === chosen}>
          {name}
        </li>
      ))}
    </ul>
  );
}

const stops = () => screen.getAllByRole('option').filter((item) => item.tabIndex === 0);
const stop = () => stops().map((item) => item.textContent);
const focused = () => document.activeElement?.textContent;
const option = (name: string) => screen.getByRole('option', { name });
const press = (key: string) => fireEvent.keyDown(document.activeElement!, { key });

test('one of many is the stop of Tab: the first, then where one was last', () => {
  const { rerender } = render(<List names={['a', 'b', 'c']} />);
  expect(stop()).toEqual(['a']);
  option('b').focus();
  expect(stop()).toEqual(['b']);
  rerender(<List names={['a', 'b', 'c', 'd']} />);
  expect(stop()).toEqual(['b']);
  rerender(<List names={['c', 'd']} />);
  expect(stop()).toEqual(['c']);
});

test('arrows, Home and End move within and stop at the ends', () => {
  render(<List names={['a', 'b', 'c']} />);
  option('a').focus();
  press('ArrowRight');
  press('ArrowDown');
  expect([focused(), stop()]).toEqual(['c', ['c']]);
  press('ArrowRight');
  expect(focused()).toBe('c');
  press('ArrowLeft');
  expect(focused()).toBe('b');
  press('Home');
  expect(focused()).toBe('a');
  press('End');
  expect(focused()).toBe('c');
  expect(fireEvent.keyDown(option('c'), { key: 'x' })).toBe(true);
});

test('the chosen one is the stop, and takes the focus along when it is inside', () => {
  const { rerender } = render(<List names={['a', 'b', 'c']} chosen="b" arrows={false} />);
  expect(stop()).toEqual(['b']);
  rerender(<List names={['a', 'b', 'c']} chosen="c" arrows={false} />);
  expect([stop(), document.activeElement]).toEqual([['c'], document.body]);
  option('c').focus();
  press('ArrowLeft');
  expect(focused()).toBe('c');
  rerender(<List names={['a', 'b', 'c']} chosen="a" arrows={false} />);
  expect([focused(), stop()]).toEqual(['a', ['a']]);
});
