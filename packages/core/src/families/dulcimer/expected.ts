/** Every fret of a chromatic fretboard by name, and the semitones it gives above the open string. */
export const FRETS =
  '½:1 1:2 1½:3 2:4 3:5 3½:6 4:7 4½:8 5:9 6:10 6½:11 7:12 8:14 8½:15 9:16 10:17 11:19 12:21 13:22 13½:23 14:24 15:26 16:28 17:29';

/** Fretboards by the half frets they have. */
export const HALF_FRETS = {
  'd3-a3-d4': ['6½', '13½'],
  'd-a-d-plain': [],
  'd-a-d-extra': ['1½', '6½', '8½', '13½'],
};

/** Bass, middle, melody. */
export const TUNINGS = ['D3 A3 D4', 'D3 A3 A3', 'D3 A3 C4', 'D3 A3 G3', 'D3 G3 D4', 'C3 G3 C4', 'G2 D3 G3'];

/** Open-string mode by the fret on which it starts, without half frets. */
export const MODES = {
  0: 'mixolydian',
  1: 'natural-minor',
  2: 'locrian',
  3: 'major',
  4: 'dorian',
  5: 'phrygian',
  6: 'lydian',
};
