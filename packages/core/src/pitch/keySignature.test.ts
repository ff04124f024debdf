import { Key } from 'tonal';
import { expectOk } from '../result.ts';
import { keySignature } from './keySignature.ts';
import { noteCode, noteText, parseNote } from './noteName.ts';

const MAJORS = ['C', 'G', 'D', 'A', 'E', 'B', 'F#', 'C#', 'F', 'Bb', 'Eb', 'Ab', 'Db', 'Gb', 'Cb'];

test.each(MAJORS)('%s major agrees with an independent library', (name) => {
  const ours = keySignature(expectOk(parseNote(name)));
  const theirs = Key.majorKey(name);
  expect(ours.fifths).toBe(theirs.alteration);
  expect(noteCode(ours.relativeMinor)).toBe(theirs.minorRelative);
  const altered = theirs.scale.filter((n) => n.length > 1).sort();
  expect(ours.altered.map(noteCode).sort()).toEqual(altered);
});

test('sharps and flats come in the order in which they enter', () => {
  expect(keySignature(expectOk(parseNote('E'))).altered.map(noteText)).toEqual(['F♯', 'C♯', 'G♯', 'D♯']);
  expect(keySignature(expectOk(parseNote('Ab'))).altered.map(noteText)).toEqual(['B♭', 'E♭', 'A♭', 'D♭']);
});

test('the rule names the sharp or flat from which the tonic is found', () => {
  expect(keySignature(expectOk(parseNote('A'))).rule).toContain('G♯');
  expect(keySignature(expectOk(parseNote('Db'))).rule).toContain('D♭');
  expect(keySignature(expectOk(parseNote('F'))).rule).toContain('B♭');
});
