import { expectOk } from '@same-song/core';
import { readDegrees } from '../src/index.ts';
import { sounds } from './sounds.ts';

test.each([
  ['beats, held notes, dots and halves', '5, | 1 2 3 - | 3. 2_ 1 -', 'G3 C4 D4 E4*2 E4*3/2 D4*1/2 C4*2'],
  ['octaves and rests', "1' 0 7, 1,", 'C5 - B3 C3'],
  ['signs against the major scale', 'b3 #4 b7', 'D#4 F#4 A#4'],
  ['a key', 'key: G\n1 3 7', 'G4 B4 F#5'],
  ['degrees of the key’s own scale', 'key: Em\n1 3 7 #7', 'E4 G4 D5 E5'],
  ['another beat', 'metre: 6/8\n1 2 3 4. 5_ 6', 'C4*1/2 D4*1/2 E4*1/2 F4*3/4 G4*1/4 A4*1/2'],
  ['three in a beat', '(1 2 3) 4', 'C4*1/3 D4*1/3 E4*1/3 F4'],
  ['a long and a short one in a beat', '(1 2_) 4', 'C4*2/3 D4*1/3 F4'],
  ['held over a bar line', '1 2 | - 3', 'C4 D4*2 E4'],
  ['repeats', '1 |: 2 3 :| 4', 'C4 D4 E4 D4 E4 F4'],
  ['quarters of a beat', '1__ 2__ 3_', 'C4*1/4 D4*1/4 E4*1/2'],
])('%s', (_, text, expected) => {
  expect(sounds(expectOk(readDegrees(text)).song)).toBe(expected);
});

test('facts at its head', () => {
  const { song } = expectOk(readDegrees('title: Trial\nkey: D dorian\nmetre: 3/4\ntempo: 96\n1 2 3'));
  expect(song).toMatchObject({
    title: 'Trial',
    keys: [{ tonic: { letter: 'D', accidental: 0 }, scale: 'dorian' }],
    metres: [{ count: 3, unit: 4 }],
    tempos: [{ perMinute: 96 }],
  });
});

test.each([
  ['1 2 8 3', 4, '“8” is no degree'],
  ['1 |\n2 x', 6, '“x” is no degree'],
  ['- 1', 0, 'none before it'],
  ['key: H\n1', 0, 'A key is written like'],
  ['metre: waltz\n1', 0, 'A metre is written like'],
  ['tempo: fast\n1', 0, 'A tempo is'],
])('%j is told at its place', (text, position, message) => {
  expect(readDegrees(text)).toMatchObject({
    ok: false,
    problems: [{ position, message: expect.stringContaining(message) }],
  });
});
