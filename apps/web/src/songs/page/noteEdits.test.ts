import { expectOk } from '@same-song/core';
import { QUARTER } from '@same-song/core/music';
import { editedBy, melodyLine, songFromLine, type Song } from '@same-song/core/song';
import { markEdits, noteEdits } from './noteEdits.ts';

const KEY = { tonic: { letter: 'C' as const, accidental: 0 as const }, scale: 'major' };
const song = (lengths: readonly (readonly [onset: number, length: number])[]): Song =>
  songFromLine(
    'Made for this',
    KEY,
    lengths.map(([onset, length]) => ({ pitch: 60, onset: onset * QUARTER, length: length * QUARTER })),
  );
const made = (of: Song, at: number, words: string) => {
  const { notes } = of.parts[0]!.voices[0]!;
  const edit = noteEdits(of, notes[at]!).find((one) => one.words === words);
  if (!edit) throw new Error(`no ${words}`);
  return expectOk(editedBy(of, edit.edits));
};
const line = (of: Song) => melodyLine(of).map(({ onset, length }) => [onset / QUARTER, length / QUARTER]);

test('another note goes into the rest that follows, no longer than there is room in its bar', () => {
  const of = song([
    [0, 3],
    [4, 1],
    [7, 1],
  ]);
  expect(line(made(of, 0, 'another after it'))).toEqual([
    [0, 3],
    [3, 1],
    [4, 1],
    [7, 1],
  ]);
  expect(line(made(of, 1, 'another after it'))).toContainEqual([5, 1]);
});

test('where no rest follows one becomes two, and what was tied on goes on from the second', () => {
  const of = song([
    [0, 1],
    [1, 5],
    [6, 2],
  ]);
  expect(line(made(of, 0, 'two of half the length')).slice(0, 2)).toEqual([
    [0, 0.5],
    [0.5, 0.5],
  ]);
  // The second begins in the first bar for three beats and is tied over the bar line for two.
  expect(line(made(of, 1, 'two of half the length'))).toContainEqual([2.5, 3.5]);
  expect(() => made(of, 2, 'another after it')).toThrow();
});

test('a mark that is there is taken away by the same press', () => {
  const [note] = song([[0, 1]]).parts[0]!.voices[0]!.notes;
  const marks = ({ marks: list = [] }: typeof note & object) => list;
  const of = song([[0, 1]]);
  const press = (from: Song) => {
    const [first] = from.parts[0]!.voices[0]!.notes;
    return expectOk(editedBy(from, markEdits(first!).find(({ words }) => words === 'held on')!.edits));
  };
  const once = press(of);
  expect(marks(once.parts[0]!.voices[0]!.notes[0]!)).toEqual(['fermata']);
  expect(press(once).parts[0]!.voices[0]!.notes[0]).toEqual(note);
});
