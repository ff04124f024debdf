/** Drums by name and their pitches, lowest first. */
export const DRUMS = {
  'c-major-8': 'C4 D4 E4 F4 G4 A4 B4 C5',
  'd-minor-9': 'D3 A3 D4 E4 F4 G4 A4 B♭4 C5',
  'e-minor-five-11': 'E3 G3 A3 B3 D4 E4 G4 A4 B4 D5 E5',
  'f-major-five-8': 'F3 G3 A3 C4 D4 F4 G4 A4',
  'a-minor-five-13': 'A2 C3 D3 E3 G3 A3 C4 D4 E4 G4 A4 C5 D5',
  'g-mixolydian-10': 'G3 A3 B3 C4 D4 E4 F4 G4 A4 B4',
  'bb-major-15': 'B♭3 C4 D4 E♭4 F4 G4 A4 B♭4 C5 D5 E♭5 F5 G5 A5 B♭5',
};
