import { noteText, parseNote } from '../pitch/noteName.ts';
import { expectOk } from '../result.ts';
import { scaleLine } from '../route/line.ts';
import { namer } from '../scale/namer.ts';
import { keyOf, scaleById } from '../scale/scale.ts';
import { PATTERNS, patternById } from '../route/pattern.ts';

const degrees = (id: string, count: number, homes: readonly number[] = [0]) =>
  patternById(id)
    .order(count, homes)
    .map((i) => i + 1)
    .join(' ');

test.each([
  ['straight', 4, '1 2 3 4'],
  ['threes', 5, '1 2 3 2 3 4 3 4 5'],
  ['fours', 5, '1 2 3 4 2 3 4 5'],
  ['neighbours', 4, '1 2 1 2 3 2 3 4 3'],
  ['neighbours', 2, '1 2 1'],
  ['pedal', 4, '1 2 1 3 1 4'],
  ['thirds', 5, '1 3 2 4 3 5'],
  ['arpeggios', 6, '1 3 5 2 4 6'],
  ['anchor', 4, '2 1 3 1 4 1'],
  ['loops', 5, '1 2 3 4 1 2 3 4 2 3 4 5 2 3 4 5'],
])('%s over %d notes', (id, count, order) => {
  expect(degrees(id, count)).toBe(order);
});

test('from the middle home to the top, down to the lowest note and back home', () => {
  expect(degrees('home-and-back', 6, [2])).toBe('3 4 5 6 5 4 3 2 1 2 3');
});

test.each(PATTERNS.map((p) => [p.id]))('%s keeps to the notes there are, whatever their number', (id) => {
  for (let count = 0; count <= 20; count += 1) {
    const order = patternById(id).order(count, count > 3 ? [0, 3] : []);
    expect(order.every((i) => Number.isInteger(i) && i >= 0 && i < count)).toBe(true);
    if (count >= 6) expect(new Set(order).size).toBe(count);
  }
});

test('from the middle home and back finds home among the notes of the line', () => {
  const key = keyOf(expectOk(scaleById('major')), expectOk(parseNote('C')));
  const line = scaleLine(
    key,
    { low: 55, high: 67 },
    { direction: 'up', pattern: patternById('home-and-back') },
  );
  const name = namer(key, 'key');
  expect(line.map(({ pitch }) => noteText(name.spelled(pitch))).join(' ')).toBe(
    'C D E F G F E D C B A G A B C',
  );
});

test.each([
  ['pedal', 'up', 'C D C E C F C G'],
  ['pedal', 'down', 'C G C F C E C D'],
  ['anchor', 'up', 'D C E C F C G C'],
  ['anchor', 'down', 'G C F C E C D C'],
  ['anchor', 'both', 'D C E C F C G C G C F C E C D C'],
  ['neighbours', 'down', 'G F G F E F E D E D C D'],
] as const)('%s %s: what the line returns to stays below', (pattern, direction, names) => {
  const key = keyOf(expectOk(scaleById('major')), expectOk(parseNote('C')));
  const line = scaleLine(key, { low: 60, high: 67 }, { direction, pattern: patternById(pattern) });
  const name = namer(key, 'key');
  expect(line.map(({ pitch }) => name.bare(pitch)).join(' ')).toBe(names);
});
