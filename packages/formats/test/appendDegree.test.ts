import { expectOk } from '@same-song/core';
import { QUARTER } from '@same-song/core/music';
import { melodyLine } from '@same-song/core/song';
import fc from 'fast-check';
import { appendDegree, readDegrees, withoutLastDegree, STEP_LENGTHS, type StepLength } from '../src/index.ts';

const step = (pitches: readonly (number | undefined)[], length: StepLength, head = '') =>
  pitches.reduce<string>((text, pitch) => appendDegree(text, pitch, length), head);

test('note by note with bar lines where a bar is full, held notes over them', () => {
  expect(step([60, 62, 64, 65, 67], '1')).toBe('1 2 3 4 | 5');
  expect(step([60, 72, 48], '½', 'key: C\nmetre: 2/4')).toBe("key: C\nmetre: 2/4\n1_ 1'_ 1,_");
  expect(appendDegree('1 2 3', 67, '3')).toBe('1 2 3 5 | - -');
  expect(appendDegree('1 2 3 4 |', undefined, '2')).toBe('1 2 3 4 | 0 0');
  expect(appendDegree('key: Em', 67, '1½')).toBe('key: Em\n3.');
});

test('what lies outside the key takes a sign, in minor too', () => {
  expect(step([61, 66, 70], '1')).toBe('b2 b5 b7');
  // E minor: G is its 3; G sharp, C sharp and D sharp lie outside.
  expect(step([67, 68, 73, 75], '1', 'key: Em')).toBe("key: Em\n3 b4 bb7 b1'");
});

test('the last note is taken back with all that it is held', () => {
  expect(withoutLastDegree('1 2 3 5 | - -')).toBe('1 2 3');
  expect(withoutLastDegree('key: D\n1')).toBe('key: D');
  expect(withoutLastDegree('1 2 | b3_.')).toBe('1 2');
  expect(withoutLastDegree('')).toBe('');
});

test('whatever is stepped in is read back as it was meant', () => {
  const note = fc.record({
    pitch: fc.integer({ min: 40, max: 90 }),
    length: fc.constantFrom(...(Object.keys(STEP_LENGTHS) as StepLength[])),
  });
  const head = fc.constantFrom('', 'key: D\nmetre: 3/4', 'key: Gm', 'key: B♭\nmetre: 6/8', 'key: F# dorian');
  fc.assert(
    fc.property(head, fc.array(note, { minLength: 1, maxLength: 14 }), (begun, notes) => {
      const text = notes.reduce<string>((now, { pitch, length }) => appendDegree(now, pitch, length), begun);
      const { song } = expectOk(readDegrees(text));
      const beat = (4 * QUARTER) / song.metres[0]!.unit;
      expect(melodyLine(song).map(({ pitch, length }) => [pitch, length / beat])).toEqual(
        notes.map(({ pitch, length }) => [pitch, STEP_LENGTHS[length].beats]),
      );
      const less = withoutLastDegree(text);
      const left = notes.length > 1 ? melodyLine(expectOk(readDegrees(less)).song).length : 0;
      expect(left).toBe(notes.length - 1);
    }),
  );
});
