import { noteText } from '../pitch/noteName.ts';
import { pitchClass } from '../pitch/pitch.ts';
import { fitsFrom, fitsOf, triadsIn } from './identify.ts';
import { SCALES } from './scale.ts';

test('every scale of the list is found again from its own notes, on every home', () => {
  for (const scale of SCALES.filter((s) => s.group !== 'chords')) {
    for (const home of [0, 3, 8]) {
      const set = new Set(scale.semitones.map((s) => pitchClass(home + s)));
      const best = fitsFrom(set, home)[0]!;
      expect([...best.scale.semitones].sort()).toEqual([...scale.semitones].sort());
      expect([best.lacking, best.strange]).toEqual([[], []]);
    }
  }
});

test('a set short of a note is found with what it lacks, one too many with what is strange', () => {
  const without = fitsFrom(new Set([3, 5, 7, 8, 10, 0]), 3).find((fit) => fit.scale.id === 'major')!;
  expect(without.lacking).toEqual([11]);
  const more = fitsFrom(new Set([0, 2, 4, 6, 7, 9, 11, 5]), 0).find((fit) => fit.scale.id === 'major')!;
  expect(more.strange).toEqual([6]);
});

test('of all homes of a set the best fit comes first, and nothing far off is told', () => {
  const fits = fitsOf(new Set([2, 5, 7, 9, 0]));
  expect(fits[0]!.lacking.length + fits[0]!.strange.length).toBe(0);
  expect(fits.every((fit) => fit.lacking.length + 2 * fit.strange.length <= 4)).toBe(true);
  expect(fitsOf(new Set([0, 1, 2, 3, 4, 5, 6, 7]), 1)).toEqual([]);
});

test('triads in a set', () => {
  const names = triadsIn(new Set([0, 2, 4, 5, 7, 9, 11])).map(
    ({ root, minor }) => noteText(root) + (minor ? 'm' : ''),
  );
  expect(names).toEqual(['C', 'Dm', 'Em', 'F', 'G', 'Am']);
  const inE = triadsIn(new Set([4, 6, 8, 9, 11, 1, 3])).map(
    ({ root, minor }) => noteText(root) + (minor ? 'm' : ''),
  );
  expect(inE).toEqual(['C♯m', 'E', 'F♯m', 'G♯m', 'A', 'B']);
});
