import fc from 'fast-check';
import { commonNotes } from './common.ts';

const set = (notes: readonly number[]) => new Set(notes);

test('two drums and a whistle share what all three have, and the best drone has its fifth there', () => {
  const { notes, drones } = commonNotes([
    set([2, 4, 6, 7, 9, 11, 1]),
    set([7, 9, 11, 2, 4]),
    set([0, 2, 4, 7, 9]),
  ]);
  expect(notes).toEqual([2, 4, 7, 9]);
  expect([2, 7]).toContain(drones[0]);
});

test('nothing in common, and nobody there, give nothing', () => {
  expect(commonNotes([set([0, 2]), set([1, 3])])).toEqual({ notes: [], drones: [] });
  expect(commonNotes([])).toEqual({ notes: [], drones: [] });
});

test('common notes are in every set and drones are among them, in whatever order the sets come', () => {
  const sets = fc.array(fc.uniqueArray(fc.integer({ min: 0, max: 11 })), { minLength: 1, maxLength: 5 });
  fc.assert(
    fc.property(sets, (lists) => {
      const { notes, drones } = commonNotes(lists.map(set));
      expect(notes.every((pc) => lists.every((list) => list.includes(pc)))).toBe(true);
      expect([...drones].sort((a, b) => a - b)).toEqual(notes);
      expect(commonNotes([...lists].reverse().map(set))).toEqual({ notes, drones });
    }),
  );
});
