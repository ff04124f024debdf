/** An octave of strings from C3 up with all levers down, by base tuning. */
export const OCTAVES = {
  c: 'C3 D3 E3 F3 G3 A3 B3 C4',
  f: 'C3 D3 E3 F3 G3 A3 B♭3 C4',
  eb: 'C3 D3 E♭3 F3 G3 A♭3 B♭3 C4',
};

/** Number of strings, the lowest and the highest, of harps in C. */
export const SIZES = {
  'c-34': 'C2 A6',
  'c-36': 'C2 C7',
  'c-30': 'C3 D7',
  'c-26': 'G2 D6',
  'c-22': 'C3 C6',
  'c-23-double': 'G3 A6',
};
