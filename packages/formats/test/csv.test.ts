import { expectOk } from '@same-song/core';
import { readAbc, writeFile } from '../src/index.ts';

const song = (abc: string) => expectOk(readAbc(abc)[0]!).song;
const rows = (abc: string) =>
  (writeFile(song(abc), 'csv') as string)
    .trimEnd()
    .split('\r\n')
    .map((row) => row.split(','));

test('a row a note: bar, times in quarters, name, number, chord and words', () => {
  const [head, ...notes] = rows('X:1\nT:t\nM:3/4\nL:1/4\nK:G\nD|"G"G>A B|"C"c2-c|]\nw:Oh lan-tern_\n');
  expect(head!.slice(2, 10)).toEqual([
    'bar',
    'quarters in bar',
    'quarters from start',
    'length in quarters',
    'tied on',
    'note',
    'MIDI number',
    'chord',
  ]);
  expect(notes.map((row) => row.slice(2))).toEqual([
    ['0', '0', '0', '1', '', 'D4', '62', '', 'Oh', ''],
    ['1', '0', '1', '1.5', '', 'G4', '67', 'G', 'lan-', ''],
    ['1', '1.5', '2.5', '0.5', '', 'A4', '69', 'G', 'tern', ''],
    ['1', '2', '3', '1', '', 'B4', '71', 'G', '', ''],
    ['2', '0', '4', '2', 'yes', 'C5', '72', 'C', '', ''],
    ['2', '2', '6', '1', '', 'C5', '72', 'C', '', ''],
  ]);
});

test('thirds are told, quotes and commas kept, and nothing is a formula', () => {
  const [, first] = rows('X:1\nT:t\nL:1/8\nK:C\n(3CDE F2|]\nw:=1+1 b c d\n');
  expect(first![5]).toBe('0.333333');
  expect(first![10]).toBe("'=1+1");
  const named = song('X:1\nT:t\nK:C\nC|]\n');
  const [part] = named.parts;
  const text = writeFile({ ...named, parts: [{ ...part!, name: 'a, "b"' }] }, 'csv') as string;
  expect(text).toContain('"a, ""b""",');
});
