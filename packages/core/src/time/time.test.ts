import { barLength, metre, METRE_NAMES, positionAt } from './metre.ts';
import { countedInHaste, timingsOf } from './noteTiming.ts';
import { QUARTER, quarters } from './ticks.ts';

const EIGHTH = quarters(1, 2);
const TRIPLET = quarters(1, 3);

/** Notes one after the other. */
function inARow(lengths: readonly number[]) {
  let onset = 0;
  return lengths.map((length) => ({ onset: (onset += length) - length, length }));
}

test('halves to tenths of a quarter are whole, and what is not is refused', () => {
  expect([2, 3, 4, 5, 6, 7, 8, 9, 10, 12, 16].map((parts) => quarters(1, parts))).toEqual([
    2520, 1680, 1260, 1008, 840, 720, 630, 560, 504, 420, 315,
  ]);
  expect(() => quarters(1, 11)).toThrow('1/11');
});

test('a thousand sextuplets end on the beat to the tick', () => {
  const notes = inARow(Array.from({ length: 6000 }, () => quarters(1, 6)));
  expect(positionAt(metre('4/4'), notes[5994]!.onset)).toEqual({ bar: 249, beat: 3, within: 0 });
});

test.each([
  ['4/4', 4, 20160],
  ['2/2', 2, 20160],
  ['3/4', 3, 15120],
  ['2/4', 2, 10080],
  ['6/8', 2, 15120],
  ['9/8', 3, 22680],
  ['12/8', 4, 30240],
] as const)('%s counts %i beats and has %i ticks a bar', (name, beats, ticks) => {
  expect(metre(name).beats).toBe(beats);
  expect(barLength(metre(name))).toBe(ticks);
});

test('every metre of the list is one that has been counted above', () => expect(METRE_NAMES).toHaveLength(7));

test('a pickup lies before the first bar line and belongs to no bar of the tune', () => {
  const jig = metre('6/8', EIGHTH);
  expect(positionAt(jig, 0)).toEqual({ bar: -1, beat: 1, within: 2 * EIGHTH });
  expect(positionAt(jig, EIGHTH)).toEqual({ bar: 0, beat: 0, within: 0 });
  expect(positionAt(jig, 4 * EIGHTH)).toEqual({ bar: 0, beat: 1, within: 0 });
  expect(() => metre('2/4', 2 * QUARTER)).toThrow('pickup');
  expect(() => metre('2/4', -1)).toThrow('pickup');
});

const offPulses = (lengths: readonly number[], pickup = 0, name: 'C' | '6/8' = 'C') =>
  timingsOf(metre(name === 'C' ? '4/4' : name, pickup), inARow(lengths)).map((t) => t.offPulse);

test('the pulse is the smallest note value, counted through long notes', () => {
  expect(offPulses([QUARTER, QUARTER, QUARTER, QUARTER])).toEqual([false, true, false, true]);
  expect(offPulses([3 * EIGHTH, EIGHTH, EIGHTH, EIGHTH, QUARTER])).toEqual([false, true, false, true, false]);
  expect(offPulses([TRIPLET, TRIPLET, TRIPLET, EIGHTH, EIGHTH])).toEqual([false, true, false, true, false]);
});

test('in three quarters every bar begins with an even pulse; with eighths among them the bars are even', () => {
  const quartersInThree = Array.from({ length: 6 }, () => QUARTER);
  const off = (lengths: readonly number[]) =>
    timingsOf(metre('3/4'), inARow(lengths)).map(({ offPulse }) => offPulse);
  expect(off(quartersInThree)).toEqual([false, true, false, false, true, false]);
  expect(off([EIGHTH, EIGHTH, QUARTER, QUARTER, QUARTER])).toEqual([false, true, false, false, false]);
});

test('a pickup of one pulse comes before the first even one', () => {
  expect(offPulses([EIGHTH, QUARTER, EIGHTH], EIGHTH)).toEqual([true, false, false]);
  expect(offPulses([EIGHTH, EIGHTH, EIGHTH], EIGHTH, '6/8')).toEqual([true, false, true]);
});

test('time is told in seconds of an easy beat, and no longer than one', () => {
  const line = inARow([QUARTER, EIGHTH, quarters(1, 4), 2 * QUARTER]);
  const told = (name: '4/4' | '2/2', of: 'since' | 'lasts') => timingsOf(metre(name), line).map((t) => t[of]);
  expect(told('4/4', 'since')).toEqual([0.6, 0.6, 0.3, 0.15]);
  expect(told('4/4', 'lasts')).toEqual([0.6, 0.3, 0.15, 0.6]);
  expect(told('2/2', 'since')).toEqual([0.6, 0.3, 0.15, 0.075]);
});

test('haste counts in proportion between time enough and none at all', () => {
  const haste = { within: 0.4, atLeisure: 1, atOnce: 3 };
  expect([0, 0.1, 0.2, 0.4, 0.6].map((seconds) => countedInHaste(haste, seconds))).toEqual([3, 2.5, 2, 1, 1]);
});

test('length is told in counted beats: a dotted quarter is one beat of a jig', () => {
  expect(timingsOf(metre('6/8'), inARow([3 * EIGHTH, EIGHTH])).map((t) => t.beats)).toEqual([1, 1 / 3]);
  expect(timingsOf(metre('4/4'), [])).toEqual([]);
});
