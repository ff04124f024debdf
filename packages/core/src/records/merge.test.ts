import { differing, mergeFields } from './merge.ts';

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

/** A song in small: a part with a voice of notes. */
const song = (notes: readonly object[], more: object = {}) => ({
  parts: [{ id: 'p', name: 'Melody', voices: [{ id: 'v', notes }] }],
  chords: [{ at: 0, symbol: 'G' }],
  phrases: [4, 8],
  ...more,
});
const APART = ['parts', 'chords', 'phrases'] as const;
const note = (id: string, pitch: number, more: object = {}) => ({ id, pitch, ...more });

test('lists are merged by the entries that their ids or times name, plain values as sets', () => {
  const was = song([note('a', 1), note('b', 2), note('c', 3)]);
  const mine = song([note('a', 9), note('b', 2), note('new', 5)], {
    chords: [
      { at: 0, symbol: 'G' },
      { at: 4, symbol: 'D' },
    ],
    phrases: [8, 12],
  });
  const theirs = song([note('a', 1, { tied: true }), note('b', 7), note('c', 3), note('x', 6)], {
    chords: [{ at: 0, symbol: 'Em' }],
    phrases: [2, 4, 8],
  });
  expect(mergeFields(was, mine, theirs, APART)).toEqual({
    merged: song([note('a', 9, { tied: true }), note('b', 7), note('x', 6), note('new', 5)], {
      chords: [
        { at: 0, symbol: 'Em' },
        { at: 4, symbol: 'D' },
      ],
      phrases: [2, 8, 12],
    }),
    clashes: [],
  });
});

test('an entry that both changed, or one changed and the other took away, clashes', () => {
  const was = song([note('a', 1), note('b', 2)]);
  const mine = song([note('a', 5), note('b', 2)]);
  expect(mergeFields(was, mine, song([note('a', 6), note('b', 2)]), APART).clashes).toEqual(['parts']);
  expect(mergeFields(was, mine, song([note('b', 2)]), APART).clashes).toEqual(['parts']);
  // Entries that nothing tells apart are one whole.
  const plain = (list: readonly object[]) => ({ parts: list });
  expect(mergeFields(plain([{ x: 1 }]), plain([{ x: 2 }]), plain([{ x: 3 }]), ['parts']).clashes).toEqual([
    'parts',
  ]);
});

test('of a change only the entries that differ are kept, and merging them gives the same as merging the whole', () => {
  const was = song([note('a', 1, { tied: true }), note('b', 2), note('c', 3)]);
  const mine = song([note('a', 9), note('b', 2), note('new', 5)], { phrases: [8, 12] });
  const [before, after] = differing(was, mine);
  expect([before, after]).toEqual([
    {
      parts: [{ id: 'p', voices: [{ id: 'v', notes: [note('a', 1, { tied: true }), note('c', 3)] }] }],
      phrases: [4],
    },
    { parts: [{ id: 'p', voices: [{ id: 'v', notes: [note('a', 9), note('new', 5)] }] }], phrases: [12] },
  ]);
  const theirs = song([note('a', 9), note('b', 7), note('new', 5)], { phrases: [1, 8, 12] });
  const whole = mergeFields(mine, was, theirs, APART);
  const small = mergeFields(after as typeof was, before as typeof was, theirs, APART);
  expect(whole.merged.phrases).toEqual([1, 8, 4]);
  expect(small.merged.phrases).toEqual(whole.merged.phrases);
  expect(small.merged.parts).toEqual(whole.merged.parts);
  expect(whole.merged.parts).toEqual(song([note('a', 1, { tied: true }), note('b', 7), note('c', 3)]).parts);
});
