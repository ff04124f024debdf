import fc from 'fast-check';
import { songOf } from '../../test/samples/song.ts';
import { noteText } from '../pitch/noteName.ts';
import { soundingPitch, spelledText } from '../pitch/spelledPitch.ts';
import { checkSong } from './checkSong.ts';
import { inMode, modesFor, movedTo } from './inMode.ts';
import { melodyOf } from './song.ts';

const names = (song: ReturnType<typeof songOf>) =>
  melodyOf(song).voice.notes.map(({ pitch }) => spelledText(pitch));

test('every degree becomes that of the mode, what is raised stays raised', () => {
  const major = songOf('C4 D4 E4 F4 | G4 A4 B4 C5 | F#4*4');
  expect(names(inMode(major, 'dorian'))).toEqual('C4 D4 E♭4 F4 G4 A4 B♭4 C5 F♯4'.split(' '));
  expect(names(inMode(major, 'lydian'))).toEqual('C4 D4 E4 F♯4 G4 A4 B4 C5 F♯♯4'.split(' '));
  expect(names(inMode(major, 'phrygian'))).toEqual('C4 D♭4 E♭4 F4 G4 A♭4 B♭4 C5 F♯4'.split(' '));
});

test('chords of the scale are built anew of the mode’s degrees, others keep their kind', () => {
  const symbols = ['C', 'Am', 'G7', 'Fmaj7', 'D7', 'C/E', 'Bm7♭5'];
  const song = songOf('C4*4 | C4*4', { chords: symbols.map((symbol, at) => ({ at, symbol })) });
  // In C minor: i VI v7 VI… the fourth is minor, its seventh minor; D7 is of no C major and stays D7.
  expect(inMode(song, 'natural-minor').chords.map(({ symbol }) => symbol)).toEqual([
    'Cm',
    'A♭',
    'Gm7',
    'Fm7',
    'D7',
    'Cm/E♭',
    'B♭7',
  ]);
});

test('home takes the name that is usual in the mode', () => {
  const flat = movedTo(songOf('C4 E4'), 1);
  expect(names(flat)).toEqual(['D♭4', 'F4']);
  const minor = inMode(flat, 'natural-minor');
  expect(noteText(minor.keys[0]!.tonic)).toBe('C♯');
  expect(names(minor)).toEqual(['C♯4', 'E4']);
});

test('a song without seven degrees has no modes', () => {
  const five = songOf('C4', {
    keys: [{ at: 0, tonic: { letter: 'C', accidental: 0 }, scale: 'major-pentatonic' }],
  });
  expect(modesFor(five)).toEqual([]);
  expect(movedTo(five, 0, 'dorian')).toBe(five);
  expect(() => inMode(five, 'dorian')).toThrow('no seven degrees');
});

test('there and back is the same song, and it is sound on the way', () => {
  const song = songOf('C4 E4 G4 B4 | A4 F4 D5 F#4 | C5*4');
  const modes = modesFor(song).map(({ id }) => id);
  fc.assert(
    fc.property(fc.constantFrom(...modes), fc.integer({ min: -6, max: 6 }), (mode, by) => {
      const there = movedTo(song, by, mode);
      expect(checkSong(there).ok).toBe(true);
      const back = movedTo(there, -by, 'major');
      expect(melodyOf(back).voice.notes.map(({ pitch }) => soundingPitch(pitch))).toEqual(
        melodyOf(song).voice.notes.map(({ pitch }) => soundingPitch(pitch)),
      );
    }),
  );
});
