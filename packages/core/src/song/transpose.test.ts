import { songOf } from '../../test/samples/song.ts';
import type { Letter } from '../pitch/noteName.ts';
import { spelledText } from '../pitch/spelledPitch.ts';
import { mapNotes, melodyOf, type Song } from './song.ts';
import { transposed } from './transpose.ts';

const named = (song: Song) =>
  melodyOf(song)
    .voice.notes.map(({ pitch }) => spelledText(pitch))
    .join(' ');

test('every note keeps its degree', () => {
  const song = songOf('C4 E4 F#4 B4');
  expect(named(transposed(song, 2))).toBe('D4 F♯4 G♯4 C♯5');
  expect(named(transposed(song, -1))).toBe('B3 D♯4 E♯4 A♯4');
  expect(named(transposed(song, 3))).toBe('E♭4 G4 A4 D5');
  expect(named(transposed(song, 12))).toBe('C5 E5 F♯5 B5');
  expect(named(transposed(song, 0))).toBe('C4 E4 F♯4 B4');
});

test('minor keys take the names musicians use', () => {
  const { keys } = transposed(
    songOf('C4', { keys: [{ at: 0, tonic: { letter: 'C', accidental: 0 }, scale: 'natural-minor' }] }),
    1,
  );
  expect(keys[0]!.tonic).toEqual({ letter: 'C', accidental: 1 });
});

test('chords go along by their names', () => {
  const chords = ['C', 'Am7', 'F#m7b5', 'G/B', 'N.C.', 'slow'].map((symbol, at) => ({ at, symbol }));
  const moved = transposed(songOf('C4 D4 E4 F4', { chords }), 2);
  expect(moved.chords.map(({ symbol }) => symbol)).toEqual(['D', 'Bm7', 'G♯m7b5', 'A/C♯', 'N.C.', 'slow']);
});

test('double signs stay where they make sense; where three would be needed a simpler name stands', () => {
  const written = (letter: Letter, accidental: number): Song =>
    mapNotes(songOf('C4'), (note) => ({ ...note, pitch: { letter, accidental, octave: 4 } }));
  expect(named(transposed(written('F', 2), 2))).toBe('G♯♯4');
  expect(named(transposed(written('B', 2), 7))).toBe('G♯5');
});

test('there and back again is the same song', () => {
  const song = songOf('C4 Eb4 F#4 A4 | B4*4', { chords: [{ at: 0, symbol: 'Am' }] });
  for (const by of [1, 2, 3, 5, 7, -4, 11, 13])
    expect(named(transposed(transposed(song, by), -by))).toBe(named(song));
  expect(() => transposed(song, 0.5)).toThrow('0.5');
});
