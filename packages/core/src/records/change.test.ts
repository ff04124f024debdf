import { changeBetween, withoutChange, type RecordState } from './change.ts';

const state = (content: object, binned = false): RecordState => ({ content: { ...content }, binned });

test('a change knows what was created, what differs, and nothing where nothing does', () => {
  expect(changeBetween(undefined, state({ a: 1 }))).toEqual({ kind: 'created', content: { a: 1 } });
  expect(changeBetween(state({ a: 1, b: [1] }), state({ b: [1], a: 1 }))).toBeUndefined();
  expect(changeBetween(state({ a: 1, b: 2, d: 4 }), state({ a: 1, b: 3, c: 4 }, true))).toEqual({
    kind: 'changed',
    before: { b: 2, d: 4 },
    after: { b: 3, c: 4 },
    binned: { before: false, after: true },
  });
});

test('without a change its own fields stand as before, one that was added goes, and others stay as they became', () => {
  const change = changeBetween(state({ a: 1, b: 2 }), state({ a: 9, b: 2, c: 3 }))!;
  expect(withoutChange(change, state({ a: 9, b: 7, c: 3, e: 5 }))).toEqual(state({ a: 1, b: 7, e: 5 }));
  // Somebody else set one back already.
  expect(withoutChange(change, state({ a: 1, c: 3 }))).toEqual(state({ a: 1 }));
});

test('what others made of the same field is asked about, and gone over only when that is wished', () => {
  const change = changeBetween(state({ a: 1 }), state({ a: 2 }))!;
  expect(withoutChange(change, state({ a: 3 }))).toBe('changed');
  expect(withoutChange(change, state({ a: 3, b: 4 }), [], true)).toEqual(state({ a: 1, b: 4 }));
  const created = changeBetween(undefined, state({ a: 1 }))!;
  expect(withoutChange(created, state({ a: 1 }))).toEqual(state({ a: 1 }, true));
  expect(withoutChange(created, state({ a: 2 }))).toBe('changed');
  expect(withoutChange(created, state({ a: 2 }), [], true)).toEqual(state({ a: 2 }, true));
  // In the bin already: nothing is lost by that.
  expect(withoutChange(created, state({ a: 2 }, true))).toEqual(state({ a: 2 }, true));
  expect(withoutChange({ kind: 'created', content: null }, state({ a: 2 }))).toEqual(state({ a: 2 }, true));
});

test('a record that was moved since is asked about, but not where the change only moved it', () => {
  const renamed = changeBetween(state({ a: 1 }), state({ a: 2 }))!;
  expect(withoutChange(renamed, state({ a: 2 }, true))).toBe('binned');
  expect(withoutChange(renamed, state({ a: 2 }, true), [], true)).toEqual(state({ a: 1 }));
  const binned = changeBetween(state({ a: 1 }), state({ a: 1 }, true))!;
  expect(withoutChange(binned, state({ a: 5 }, true))).toEqual(state({ a: 5 }));
  expect(withoutChange(binned, state({ a: 5 }))).toEqual(state({ a: 5 }));
  const restored = changeBetween(state({ a: 1 }, true), state({ a: 1 }))!;
  expect(withoutChange(restored, state({ a: 1 }))).toEqual(state({ a: 1 }, true));
  expect(withoutChange(restored, state({ a: 5 }))).toBe('changed');
  expect(withoutChange(restored, state({ a: 5 }), [], true)).toEqual(state({ a: 5 }, true));
});

test('entries of a field that is kept apart are put back one by one', () => {
  const change = changeBetween(state({ m: { x: 1, y: 2 } }), state({ m: { x: 9, z: 3 } }))!;
  const now = state({ m: { x: 9, z: 3, theirs: 4 } });
  expect(withoutChange(change, now, ['m'])).toEqual(state({ m: { x: 1, y: 2, theirs: 4 } }));
  expect(withoutChange(change, now)).toBe('changed');
  expect(withoutChange(change, state({ m: { x: 8, z: 3 } }), ['m'])).toBe('changed');
});
