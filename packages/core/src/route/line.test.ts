import { parseNote } from '../pitch/noteName.ts';
import { expectOk } from '../result.ts';
import { keyOf, scaleById } from '../scale/scale.ts';
import { scaleLine, type Direction } from './line.ts';

const C_FIVE = keyOf(expectOk(scaleById('major-pentatonic')), expectOk(parseNote('C')));

test.each([
  ['up', [60, 62, 64, 67, 69, 72]],
  ['down', [72, 69, 67, 64, 62, 60]],
  ['both', [60, 62, 64, 67, 69, 72, 69, 67, 64, 62, 60]],
] as const)('%s: each note once, the turning note too', (direction: Direction, pitches) => {
  const line = scaleLine(C_FIVE, { low: 60, high: 72 }, direction);
  expect(line.map((note) => note.pitch)).toEqual(pitches);
  expect(new Set(line.map((note) => note.id)).size).toBe(pitches.length);
});

test('without limits there is nothing to play, and between two notes of the scale no line', () => {
  expect(scaleLine(C_FIVE, undefined, 'both')).toEqual([]);
  expect(scaleLine(C_FIVE, { low: 65, high: 66 }, 'both')).toEqual([]);
});
