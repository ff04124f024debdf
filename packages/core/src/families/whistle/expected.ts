/** Six holes from the mouth down by semitones above the lowest note, low register and the same fingerings above. */
export const FINGERINGS: Readonly<Record<number, readonly string[]>> = {
  0: ['xxxxxx'],
  1: ['xxxxxh'],
  2: ['xxxxxo'],
  3: ['xxxxho'],
  4: ['xxxxoo'],
  5: ['xxxooo'],
  6: ['xxhooo', 'xxoxxo'],
  7: ['xxoooo'],
  8: ['xhoooo', 'xoxxxx'],
  9: ['xooooo'],
  10: ['oxxooo', 'oxxxoo', 'oxxxxo', 'hooooo'],
  11: ['oooooo', 'oooxxx'],
  12: ['oxxxxx', 'xxxxxx'],
  22: ['oxxooo', 'oxxxoo', 'oxxxxo', 'hooooo', 'oxoxxx', 'oxxxox'],
};
