import { expectOk } from '../result.ts';
import { notePitchClass, noteText, parseNote, parsePitch, pitchText, respell } from './noteName.ts';
import { centsFromStandard, frequency } from './pitch.ts';

const note = (text: string) => expectOk(parseNote(text));

test.each([
  ['eb', 'E♭', 3],
  ['F#', 'F♯', 6],
  ['b', 'B', 11],
  ['bb', 'B♭', 10],
  ['e flat', 'E♭', 3],
  ['C sharp', 'C♯', 1],
  ['Fx', 'F♯♯', 7],
  ['c♭', 'C♭', 11],
])('reads %s as %s', (typed, text, pc) => {
  expect(noteText(note(typed))).toBe(text);
  expect(notePitchClass(note(typed))).toBe(pc);
});

test.each([
  ['', 0],
  ['h', 0],
  ['Eq', 1],
  ['E♭z', 2],
  ['Fbbb', 1],
  ['🎵', 0],
])('refuses %p and says where', (typed, position) => {
  const result = parseNote(typed);
  expect(result.ok).toBe(false);
  if (!result.ok)
    expect(result.problems[0]).toMatchObject({ position, message: expect.stringContaining('letter A to G') });
});

test('octaves belong to the letter: C♭4 sounds as B3, B♯3 as C4', () => {
  expect(expectOk(parsePitch('Cb4'))).toBe(59);
  expect(expectOk(parsePitch('B#3'))).toBe(60);
  expect(pitchText(59, note('Cb'))).toBe('C♭4');
  expect(pitchText(60, note('B#'))).toBe('B♯3');
});

test('every pitch is read back from its name', () => {
  for (let pitch = 24; pitch <= 120; pitch += 1) expect(expectOk(parsePitch(pitchText(pitch)))).toBe(pitch);
});

test('naming habits change the name, never the sound', () => {
  expect(noteText(respell(note('Bbb'), 'simple'))).toBe('A');
  expect(noteText(respell(note('Eb'), 'simple'))).toBe('E♭');
  expect(noteText(respell(note('Fb'), 'simple'))).toBe('E');
  expect(noteText(respell(note('B#'), 'simple'))).toBe('C');
  expect(noteText(respell(note('Eb'), 'sharps'))).toBe('D♯');
});

test('frequencies follow equal temperament and the pitch standard', () => {
  expect(frequency(69)).toBeCloseTo(440, 9);
  expect(frequency(60)).toBeCloseTo(261.6256, 3);
  expect(frequency(57, 442)).toBeCloseTo(221, 9);
  expect(centsFromStandard(452.5)).toBeCloseTo(48.5, 0);
  expect(() => centsFromStandard(0)).toThrow('0');
});
