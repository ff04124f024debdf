import { parseNote } from '../pitch/noteName.ts';
import { expectOk } from '../result.ts';
import { keyOf, scaleById } from '../scale/scale.ts';
import { patternById } from './pattern.ts';
import { families } from '../families/index.ts';
import { openInstrument, specFromPreset } from '../instrument/instrument.ts';
import { routingContext } from './context.ts';
import { defaultPreferences } from './preferences.ts';
import { limitsOf } from './range.ts';
import type { Direction } from './direction.ts';
import { scaleLine } from './line.ts';

const C_FIVE = keyOf(expectOk(scaleById('major-pentatonic')), expectOk(parseNote('C')));

test.each([
  ['up', [60, 62, 64, 67, 69, 72]],
  ['down', [72, 69, 67, 64, 62, 60]],
  ['both', [60, 62, 64, 67, 69, 72, 69, 67, 64, 62, 60]],
  ['down-up', [72, 69, 67, 64, 62, 60, 62, 64, 67, 69, 72]],
] as const)('%s: each note once, the turning note too', (direction: Direction, pitches) => {
  const line = scaleLine(C_FIVE, { low: 60, high: 72 }, direction);
  expect(line.map((note) => note.pitch)).toEqual(pitches);
  expect(new Set(line.map((note) => note.id)).size).toBe(pitches.length);
});

test('without limits there is nothing to play, and between two notes of the scale no line', () => {
  expect(scaleLine(C_FIVE, undefined, 'both')).toEqual([]);
  expect(scaleLine(C_FIVE, { low: 65, high: 66 }, 'both')).toEqual([]);
});

test.each([
  ['down', 0, [69, 60, 67, 60, 64, 60, 62, 60]],
  ['down', 1, [69, 62, 67, 62, 64, 62, 60, 62]],
  ['up', 2, [60, 64, 62, 64, 67, 64, 69, 64]],
] as const)('%s to anchor %i comes back to it after each other note', (direction, anchor, pitches) => {
  const pattern = patternById('anchor');
  const line = scaleLine(C_FIVE, { low: 60, high: 71 }, { direction, pattern, anchor });
  expect(line.map(({ pitch }) => pitch)).toEqual(pitches);
});

const context = routingContext(
  expectOk(openInstrument(specFromPreset('chromatic', families.chromatic.presets[0]!.id))),
  defaultPreferences(families.chromatic),
);
test.each([
  // From the fifth above C4 to the next fifth.
  [{ octaves: 1, start: 7 }, 67, 79],
  // From the fifth to the third above it, and to the flat seventh in the same octave.
  [{ octaves: 1, start: 7, turn: 4 }, 67, 76],
  [{ octaves: 1, start: 7, turn: 10 }, 67, 70],
  [{ octaves: 2, turn: 7 }, 60, 79],
  [{ octaves: 1, start: 2, turn: 2 }, 62, 74],
] as const)('%j goes from %i to %i', (range, low, high) => {
  const key = keyOf(expectOk(scaleById('major')), expectOk(parseNote('C')));
  expect(limitsOf(context, key, { kind: 'octaves', from: 60, ...range })).toEqual({ low, high });
});
