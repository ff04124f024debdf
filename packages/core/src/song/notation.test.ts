import { quarters } from '../time/ticks.ts';
import { valueOf, writtenBars } from './notation.ts';
import type { SongNote, Tuplet } from './song.ts';

const bar = { length: quarters(4) };

/** Notes one after the other, in quarters as [over, under]; a negative one is a silence. */
function notes(...lengths: readonly (readonly [number, number])[]): SongNote[] {
  let onset = 0;
  return lengths.flatMap(([over, under], i) => {
    const length = quarters(Math.abs(over), under);
    onset += length;
    if (over < 0) return [];
    return [
      {
        id: `n${i}`,
        onset: onset - length,
        length,
        pitch: { letter: 'C', accidental: 0, octave: 4 } as const,
      },
    ];
  });
}

/** `r` for rests; written length in quarters, `-` where tied on, brackets for tuplets. */
function shown(lines: readonly SongNote[], tuplets: readonly Tuplet[] = [], bars = [bar]): string {
  return writtenBars({ bars }, { id: 'v', notes: lines, tuplets })
    .map((events) =>
      events
        .map(({ notes: sounding, written, tied, begins, ends }) => {
          const open = begins.map(({ actual, normal }) => `(${actual}:${normal} `).join('');
          return `${open}${sounding.length === 0 ? 'r' : ''}${written / quarters(1)}${tied ? '-' : ''}${')'.repeat(ends)}`;
        })
        .join(' '),
    )
    .join(' | ');
}

test('gaps are rests, in values that a sign has', () => {
  expect(shown(notes([1, 1], [-1, 2], [3, 2], [1, 1]))).toBe('1 r0.5 1.5 1');
  expect(shown(notes([1, 1]))).toBe('1 r3');
  expect(shown([])).toBe('r4');
  expect(shown(notes([-5, 4], [1, 4]))).toBe('r1 r0.25 0.25 r2 r0.5');
});

test('lengths that no sign has are tied together', () => {
  expect(shown(notes([5, 2], [3, 2]))).toBe('2- 0.5 1.5');
  expect(shown(notes([7, 2], [1, 2]))).toBe('3.5 0.5');
  expect(shown([{ ...notes([4, 1])[0]!, tied: true }])).toBe('4-');
});

test('tuplets as they are given, one within another', () => {
  const triplet = { onset: 0, length: quarters(2), actual: 3, normal: 2 };
  const inner = { onset: quarters(2, 3), length: quarters(2, 3), actual: 3, normal: 2 };
  expect(shown(notes([2, 3], [2, 9], [2, 9], [2, 9], [2, 3], [2, 1]), [triplet, inner])).toBe(
    '(3:2 1 (3:2 0.5 0.5 0.5) 1) 2',
  );
});

test('tuplets that nobody gave but without which it could not be written', () => {
  expect(shown(notes([1, 3], [1, 3], [1, 3], [3, 1]))).toBe('(3:2 0.5 0.5 0.5) 3');
  expect(shown(notes([2, 3], [1, 3], [3, 1]))).toBe('(3:2 1 0.5) 3');
  expect(shown(notes([1, 5], [1, 5], [1, 5], [1, 5], [1, 5], [3, 1]))).toBe(
    '(5:4 0.25 0.25 0.25 0.25 0.25) 3',
  );
});

test('bar by bar', () => {
  const two = { length: quarters(2) };
  expect(shown(notes([2, 1], [1, 1], [1, 1]), [], [two, two])).toBe('2 | 1 1');
});

test.each([
  [1, 4, 0],
  [1.5, 4, 1],
  [1.75, 4, 2],
  [4, 1, 0],
  [8, 0.5, 0],
  [0.125, 32, 0],
])('%d quarters are a sign of one in %d with %i dots', (length, part, dots) => {
  expect(valueOf(length * quarters(1))).toEqual({ part, dots });
});

test('no sign has a length of five sixteenths', () => {
  expect(valueOf(quarters(5, 4))).toBeUndefined();
});
