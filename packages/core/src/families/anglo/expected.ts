/** C/G, push/pull, left hand from little finger to index, right hand from index to little finger. */
export const LEFT = {
  o: 'E3/F3 A3/B♭3 C♯4/E♭4 A4/G4 G♯4/B♭4',
  m: 'C3/G3 G3/B3 C4/D4 E4/F4 G4/A4',
  i: 'B3/A3 D4/F♯4 G4/A4 B4/C5 D5/E5',
};
export const RIGHT = {
  m: 'C5/B4 E5/D5 G5/F5 C6/A5 E6/B5',
  i: 'G5/F♯5 B5/A5 D6/C6 G6/E6 B6/F♯6',
};
/** The right accidental row of the two schools. */
export const RIGHT_OUTSIDE = {
  'sharp-on-push': 'C♯5/E♭5 A5/G5 G♯5/B♭5 C♯6/E♭6 A6/F6',
  'sharp-both-ways': 'E♭5/C♯5 C♯5/E♭5 G♯5/G5 C♯6/B♭5 A6/D6',
};
/** Lowest push of the middle row (C3 in C/G) of the pairs of keys made. */
export const LOWEST_MIDDLE = {
  'C-G': 'C3',
  'D-A': 'D3',
  'Bb-F': 'B♭2',
  'Ab-Eb': 'A♭2',
  'G-D': 'G2',
  'F-C': 'F3',
};
