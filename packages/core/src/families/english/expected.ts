/** The treble of 48 buttons, column by column from the thumb side, low to high. */
export const TREBLE = {
  L: {
    2: 'C4 G4 D5 A5 E6 B6',
    3: 'A3 E4 B4 F5 C6 G6',
    1: 'C♯4 G♯4 D♯5 A♭5 E♭6 B♭6',
    4: 'A♭3 E♭4 B♭4 F♯5 C♯6 G♯6',
  },
  R: {
    2: 'G3 D4 A4 E5 B5 F6',
    3: 'B3 F4 C5 G5 D6 A6',
    1: 'G♯3 D♯4 A♭4 E♭5 B♭5 F♯6',
    4: 'B♭3 F♯4 C♯5 G♯5 D♯6 C7',
  },
} as const;
