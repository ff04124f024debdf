import { extraNotes, isClean, judgeLine, type JudgedNote, type WantedNote } from './judge.ts';
import type { HeardNote } from './notes.ts';

/** C4, D4, E4 and G4, a second apart. */
const LINE: readonly WantedNote[] = [60, 62, 64, 67].map((midi, i) => ({ id: `n${i}`, midi, at: i }));
const heard = (midi: number, onset: number, seconds = 0.5): HeardNote => ({
  midi,
  onset,
  end: onset + seconds,
});
const all = (...changed: readonly HeardNote[]) =>
  LINE.map(({ midi, at }, i) => changed[i] ?? heard(midi, at));
const results = (notes: readonly HeardNote[]) => judgeLine(LINE, notes).notes.map(({ result }) => result);

test.each([
  // In time within 0.12 s, in tune within 35 cents.
  [60, 0.11, 'hit'],
  [60, 0.13, 'late'],
  [60, -0.11, 'hit'],
  [60, -0.13, 'early'],
  [60.34, 0, 'hit'],
  [60.36, 0, 'off'],
  [59.66, 0, 'hit'],
  [59.64, 0, 'off'],
  // Out of tune is told before out of time.
  [60.5, 0.3, 'off'],
  [60, 0.44, 'late'],
  // Too far away to be this note at all.
  [60, 0.46, 'missed'],
])('a first note heard as %d, %d s after its time, is %s', (midi, after, result) => {
  expect(results(all(heard(midi, after)))).toEqual([result, 'hit', 'hit', 'hit']);
});

test('a note that is left out shifts none of the others', () => {
  const [first, second, third, fourth] = all() as [HeardNote, HeardNote, HeardNote, HeardNote];
  expect(results([second, third, fourth])).toEqual(['missed', 'hit', 'hit', 'hit']);
  expect(results([first, third, fourth])).toEqual(['hit', 'missed', 'hit', 'hit']);
  expect(results([first, second, third])).toEqual(['hit', 'hit', 'hit', 'missed']);
  expect(results([])).toEqual(['missed', 'missed', 'missed', 'missed']);
});

test.each<[JudgedNote['result'], boolean]>([
  ['hit', true],
  ['late', false],
  ['early', false],
  ['off', false],
  ['missed', false],
])('a round whose second note is %s is clean: %s', (result, clean) => {
  const judged = (['hit', result, 'hit'] as const).map((one, i) => ({ id: `n${i}`, result: one }));
  expect(isClean(judged, [])).toBe(clean);
  expect(isClean(judged, [heard(70, 1)])).toBe(false);
});

test.each([
  // Between D4 at 1 s and E4 at 2 s.
  ['another pitch', heard(70, 1.5), true],
  ['the note that is due, begun again', heard(62, 1.5), false],
  ['the one before, ringing on', heard(60, 1.5), false],
  ['the next one, too early', heard(64, 1.5), false],
  ['one that comes much later', heard(67, 0.5), true],
  ['a slip of less than a tenth of a second', heard(70, 1.5, 0.09), false],
  ['as long as a note is', heard(70, 1.5, 0.11), true],
  ['a quarter tone beside the one that is due', heard(62.5, 1.5), false],
  // The line lasts from 0.3 s before its first note to 0.3 s after its last has begun.
  ['something before it', heard(70, -0.31), false],
  ['something just before it', heard(70, -0.29), true],
  ['something after it', heard(70, 3.31), false],
  ['something just after its last note has begun', heard(70, 3.29), true],
])('%s is a wrong note: %#', (_, note, isWrong) => {
  expect(extraNotes(LINE, [note])).toEqual(isWrong ? [note] : []);
});
