import { mergeFields } from './merge.ts';

const base = { name: 'Quay', notes: 'old', a4: 440, measured: { d4: 3, d5: -2 } as Record<string, number> };

test('what only one side changed is taken from it; the order of fields is no change', () => {
  const mine = { ...base, name: 'Pier' };
  const theirs = { measured: { d5: -2, d4: 3 }, a4: 442, notes: 'new', name: 'Quay' };
  expect(mergeFields(base, mine, theirs)).toEqual({
    merged: { ...base, name: 'Pier', notes: 'new', a4: 442 },
    clashes: [],
  });
});

test('what both changed clashes, unless both changed it alike', () => {
  const mine = { ...base, name: 'Pier', a4: 442 };
  const theirs = { ...base, name: 'Mole', a4: 442 };
  expect(mergeFields(base, mine, theirs)).toEqual({ merged: mine, clashes: ['name'] });
});

test('entries of their own are merged one by one, those taken away too', () => {
  const mine = { ...base, measured: { d4: 3, d5: -2, d6: 7 } };
  const theirs = { ...base, measured: { d5: -9 } };
  const merged = { ...base, measured: { d5: -9, d6: 7 } };
  expect(mergeFields(base, mine, theirs, ['measured'])).toEqual({ merged, clashes: [] });
  expect(mergeFields(base, mine, theirs).clashes).toEqual(['measured']);
  const again = { ...base, measured: { ...mine.measured, d5: 1 } };
  expect(mergeFields(base, again, theirs, ['measured']).clashes).toEqual(['measured']);
});
