import { parseNote } from '../pitch/noteName.ts';
import { expectOk } from '../result.ts';
import { keyOf, scaleById } from '../scale/scale.ts';
import { keyFacts } from './keyFacts.ts';

const facts = (tonic: string, scale: string, naming: 'key' | 'simple' | 'sharps' = 'key') =>
  keyFacts(keyOf(expectOk(scaleById(scale)), expectOk(parseNote(tonic))), naming);

test.each([
  ['Bb', 'major', 'B♭ C D E♭ F G A', '2 flats: B♭ E♭'],
  ['F#', 'major', 'F♯ G♯ A♯ B C♯ D♯ E♯', '6 sharps: F♯ C♯ G♯ D♯ A♯ E♯'],
  ['C', 'major', 'C D E F G A B', 'no sharps or flats'],
  ['D', 'dorian', 'D E F G A B C', 'no sharps or flats'],
  ['F#', 'natural-minor', 'F♯ G♯ A B C♯ D E', '3 sharps: F♯ C♯ G♯'],
])('%s %s is %s with %s', (tonic, scale, notes, signature) => {
  const found = facts(tonic, scale);
  expect(found.notes.join(' ')).toBe(notes);
  expect(found.signature).toBe(signature);
});

test.each([
  ['D', 'dorian', 'mode 2 of C major'],
  ['F', 'dorian', 'mode 2 of E♭ major'],
  ['A', 'mixolydian', 'mode 5 of D major'],
  ['D', 'minor-pentatonic', 'mode 5 of F major pentatonic'],
  ['G#', 'minor-pentatonic', 'mode 5 of B major pentatonic'],
])('%s %s is %s', (tonic, scale, mode) => {
  expect(facts(tonic, scale).mode).toBe(mode);
});

test('steps in cents: neighbours of a pentatonic lie 200 or 300 apart, and all add up to an octave', () => {
  const { steps } = facts('E', 'minor-pentatonic');
  expect(steps).toEqual([300, 200, 200, 300, 200]);
  expect(steps.reduce((sum, s) => sum + s)).toBe(1200);
});

test('a spelling that needs double signs offers the plainer one', () => {
  expect(facts('G#', 'major').simpler).toEqual({ text: 'A♭', code: 'Ab' });
  expect(facts('Ab', 'major').simpler).toBeUndefined();
  expect(facts('G#', 'major', 'sharps').notes).toContain('G');
});

test('both meanings of “blues scale” say so', () => {
  expect(facts('A', 'blues-six').note).toContain('flat fifth');
  expect(facts('A', 'minor-pentatonic').note).toContain('blues');
});
