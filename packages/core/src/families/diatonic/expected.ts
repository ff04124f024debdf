/** Ten-hole harmonicas as players write them down: semitones above hole 1 blow, holes 1 to 10. */
export const EXPECTED = {
  richter: {
    blow: [0, 4, 7, 12, 16, 19, 24, 28, 31, 36],
    draw: [2, 7, 11, 14, 17, 21, 23, 26, 29, 33],
  },
  // Blow 3 raised 2.
  'third-raised': {
    blow: [0, 4, 9, 12, 16, 19, 24, 28, 31, 36],
    draw: [2, 7, 11, 14, 17, 21, 23, 26, 29, 33],
  },
  // Draw 5 raised 1.
  country: {
    blow: [0, 4, 7, 12, 16, 19, 24, 28, 31, 36],
    draw: [2, 7, 11, 14, 18, 21, 23, 26, 29, 33],
  },
  // Blow 2, 5, 8 and draw 3, 7 lowered 1.
  'natural-minor': {
    blow: [0, 3, 7, 12, 15, 19, 24, 27, 31, 36],
    draw: [2, 7, 10, 14, 17, 21, 22, 26, 29, 33],
  },
  // Blow 2, 5, 8 and draw 6, 10 lowered 1.
  'harmonic-minor': {
    blow: [0, 3, 7, 12, 15, 19, 24, 27, 31, 36],
    draw: [2, 7, 11, 14, 17, 20, 23, 26, 29, 32],
  },
} as const;

/** The twelve usual keys by the pitch of hole 1 blow, from the lowest. */
export const USUAL_ROOTS = 'G3 A♭3 A3 B♭3 B3 C4 D♭4 D4 E♭4 E4 F4 F♯4';
