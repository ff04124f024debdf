/** Slide harmonicas in C, hole by hole from 1 on, as they are printed in tutors: blow, draw, and both with the slide. */
export const TWELVE_HOLES = {
  blow: 'C4 E4 G4 C5 C5 E5 G5 C6 C6 E6 G6 C7',
  draw: 'D4 F4 A4 B4 D5 F5 A5 B5 D6 F6 A6 B6',
  blowSlide: 'C♯4 F4 G♯4 C♯5 C♯5 F5 G♯5 C♯6 C♯6 F6 G♯6 C♯7',
  // The last draw with the slide sounds D7 on many instruments.
  drawSlide: 'D♯4 F♯4 A♯4 C5 D♯5 F♯5 A♯5 C6 D♯6 F♯6 A♯6 D7',
};
export const FOURTEEN_HOLES_BLOW = 'G3 C4 C4 E4 G4 C5 C5 E5 G5 C6 C6 E6 G6 C7';
export const SIXTEEN_HOLES_BLOW = 'C3 E3 G3 C4 C4 E4 G4 C5 C5 E5 G5 C6 C6 E6 G6 C7';
