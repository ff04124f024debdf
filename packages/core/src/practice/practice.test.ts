import { expectOk } from '../result.ts';
import { keysInOrder, KEY_ORDERS } from './keyOrder.ts';
import { afterRound, firstRung, type Ladder, type Rung } from './ladder.ts';
import { inRhythm, readRhythm } from './rhythm.ts';
import { seededRandom } from '../seededRandom.ts';

test.each([
  ['one', [10]],
  ['semitones', [10, 11, 0, 1, 2, 3, 4, 5, 6, 7, 8, 9]],
  // B♭ F C G D A E B F♯ C♯ G♯ D♯
  ['fifths', [10, 5, 0, 7, 2, 9, 4, 11, 6, 1, 8, 3]],
  // B♭ E♭ A♭ D♭ F♯ B E A D G C F
  ['fourths', [10, 3, 8, 1, 6, 11, 4, 9, 2, 7, 0, 5]],
] as const)('from B♭ %s', (order, keys) => {
  expect(keysInOrder(order, 10)).toEqual(keys);
});

test('by chance every key comes once, the given one first, and a seed gives the same again', () => {
  const orders = [1, 2, 3].map((seed) => keysInOrder('chance', 7, seed));
  for (const keys of orders) {
    expect(keys[0]).toBe(7);
    expect([...keys].sort((a, b) => a - b)).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11]);
  }
  expect(orders[0]).not.toEqual(orders[1]);
  expect(keysInOrder('chance', 7, 2)).toEqual(orders[1]);
  expect(KEY_ORDERS).toHaveLength(5);
});

test('numbers by chance are spread evenly', () => {
  const random = seededRandom(5);
  const counts = Array.from({ length: 6 }, () => 0);
  for (let i = 0; i < 6000; i += 1) counts[random.below(6)]! += 1;
  for (const count of counts) expect(Math.abs(count - 1000)).toBeLessThan(130);
  expect(() => random.of([])).toThrow('nothing to choose');
});

const LADDER: Ladder = { from: 60, to: 76, step: 6, raiseAfter: 3, fallAfter: 2 };

// + is a clean round, - one that was not.
test.each([
  ['++', 60],
  ['+++', 66],
  ['++-+++', 66],
  ['++++++', 72],
  // The last step is shorter, and the top is never passed.
  ['+++++++++', 76],
  ['++++++++++++', 76],
  ['+++--', 60],
  ['+++-+-', 66],
  // A clean round between two that were not begins both counts anew.
  ['+++-++-++', 66],
  ['+++-+--', 60],
  ['++-++-++', 60],
  ['+++++-+++', 72],
  // It never falls below where it began.
  ['----', 60],
])('after %s the tempo is %d', (rounds, perMinute) => {
  const end = [...rounds].reduce<Rung>(
    (rung, round) => afterRound(LADDER, rung, round === '+'),
    firstRung(LADDER),
  );
  expect(end.perMinute).toBe(perMinute);
});

test('a ladder says what its last round did', () => {
  const climb = (from: Rung, rounds: string) =>
    [...rounds].reduce<Rung>((rung, round) => afterRound(LADDER, rung, round === '+'), from);
  expect(climb(firstRung(LADDER), '+++').moved).toBe('up');
  expect(climb({ perMinute: 76, clean: 2, missed: 0 }, '+').moved).toBe('top');
  expect(climb({ perMinute: 66, clean: 0, missed: 1 }, '-').moved).toBe('down');
  expect(climb({ perMinute: 60, clean: 0, missed: 1 }, '-').moved).toBeUndefined();
});

test('notes take the lengths of a rhythm in turn, and those that are doubled take two', () => {
  const swung = expectOk(readRhythm('swung'));
  expect(inRhythm(['a', 'b', 'c'], swung, 'legato')).toEqual([
    { noteId: 'a', start: 0, beats: 2 / 3, held: 2 / 3 },
    { noteId: 'b', start: 2 / 3, beats: 1 / 3, held: 1 / 3 },
    { noteId: 'c', start: 1, beats: 2 / 3, held: 2 / 3 },
  ]);
  const typed = expectOk(readRhythm('3/2 1/2, 1'));
  const doubled = inRhythm(['a', 'b'], typed, 'doubled');
  expect(doubled.map(({ noteId, start, beats }) => [noteId, start, beats])).toEqual([
    ['a', 0, 1.5],
    ['a', 1.5, 0.5],
    ['b', 2, 1],
    ['b', 3, 1.5],
  ]);
  expect(inRhythm(['a'], typed, 'short')[0]!.held).toBeCloseTo(0.6);
});

test.each([
  ['', 0],
  ['1 x 2', 2],
  ['1/0', 0],
  ['0', 0],
  ['1 99', 2],
  ['1 '.repeat(17), 0],
])('the rhythm “%s” is wrong at character %d', (text, position) => {
  expect(readRhythm(text)).toMatchObject({ ok: false, problems: [{ field: '', position }] });
});
