import { act, renderHook } from '@testing-library/react';
import { StoredValues, useStored } from './stored.ts';

const number = (value: unknown) => (typeof value === 'number' ? value : undefined);
const list = (value: unknown) => (Array.isArray(value) ? (value as number[]) : undefined);

beforeEach(() => {
  localStorage.clear();
  sessionStorage.clear();
  document.head.innerHTML = '';
});

test('a value is there for the next page, by its name, and gone when it is taken away', () => {
  const values = new StoredValues('count.', number);
  values.set(3, 'a');
  values.set(0, 'b');
  const next = new StoredValues('count.', number);
  expect([next.get('a'), next.get('b'), next.get('c')]).toEqual([3, 0, undefined]);
  expect(next.entries()).toEqual([
    ['a', 3],
    ['b', 0],
  ]);
  values.set(undefined, 'a');
  expect(next.get('a')).toBeUndefined();
  expect(next.entries()).toEqual([['b', 0]]);
});

test('the same text is the same value, and the list of all is the same until one changes', () => {
  const values = new StoredValues('lists.', list);
  values.set([1, 2], 'a');
  expect(values.get('a')).toBe(values.get('a'));
  const before = values.entries();
  expect(values.entries()).toBe(before);
  values.set([1], 'a');
  expect(values.entries()).not.toBe(before);
});

test.each(['{', '"text"', 'null', '[]'])(
  'what is damaged or none, %s, reads as none and hides no other',
  (text) => {
    const values = new StoredValues('count.', number);
    values.set(3, 'sound');
    localStorage.setItem('same-song.count.bad', text);
    expect(values.get('bad')).toBeUndefined();
    expect(values.entries()).toEqual([['sound', 3]]);
  },
);

test('where the browser keeps nothing, or has no room, a value is there as long as the page is', () => {
  const values = new StoredValues('count', number);
  values.set(1);
  const setItem = jest.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
    throw new Error('no room');
  });
  values.set(2);
  expect([values.get(), values.entries()]).toEqual([2, [['', 2]]]);
  setItem.mockRestore();
  values.set(4);
  expect(new StoredValues('count', number).get()).toBe(4);
  values.set(undefined);
  expect(values.get()).toBeUndefined();
});

test("values of the tab are not those of the browser, and those of the demo not one's own; a device has one", () => {
  new StoredValues('x', number, { where: 'tab' }).set(1);
  new StoredValues('x', number).set(2);
  new StoredValues('device', number, { ofDevice: true }).set(3);
  document.head.innerHTML = '<meta name="data-set" content="demo">';
  const demo = new StoredValues('x', number);
  expect(demo.get()).toBeUndefined();
  demo.set(9);
  expect(new StoredValues('device', number, { ofDevice: true }).get()).toBe(3);
  document.head.innerHTML = '<meta name="data-set" content="own">';
  expect(new StoredValues('x', number).get()).toBe(2);
  expect(new StoredValues('x', number, { where: 'tab' }).get()).toBe(1);
});

test('whoever shows a value hears of changes here and in other tabs', () => {
  const values = new StoredValues('count.', number);
  const { result } = renderHook(() => useStored(values, 'a'));
  act(() => values.set(1, 'a'));
  expect(result.current).toBe(1);
  localStorage.setItem('same-song.count.a', '5');
  act(() => void window.dispatchEvent(new StorageEvent('storage', { key: 'same-song.count.a' })));
  expect(result.current).toBe(5);
});
