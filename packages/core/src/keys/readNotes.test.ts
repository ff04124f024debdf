import { openInstrument, specFromPreset } from '../instrument/instrument.ts';
import { expectOk } from '../result.ts';
import { readNotes } from './readNotes.ts';

const harmonica = () => expectOk(openInstrument(specFromPreset('diatonic', '56')));
const read = (text: string, tab = false) => readNotes(text, tab ? harmonica() : undefined, 'words');

test.each([
  ['C Eb G', [0, 3, 7]],
  ['c, e♭, g♯, c', [0, 3, 8]],
  ['F#4 Bb3', [6, 10]],
])('%s is read as names', (text, notes) => {
  expect([...expectOk(read(text))]).toEqual(notes);
});

test('a line of tab is read as what it sounds on this instrument', () => {
  expect([...expectOk(read('4 blow, 4 draw, 3 draw \u2033', true))]).toEqual([8, 10, 5]);
  expect([...expectOk(readNotes('4\u2191 4\u2193', harmonica(), 'arrows'))]).toEqual([8, 10]);
});

test.each([
  ['C H G', false, 2, 'no note'],
  ['4 blow, 14 draw', true, 8, 'neither a note'],
  ['', false, undefined, 'Write some notes'],
])('%j is refused with the place of the mistake', (text, tab, position, message) => {
  const result = read(text, tab);
  expect(result.ok).toBe(false);
  if (result.ok) return;
  expect(result.problems[0]!.position).toBe(position);
  expect(result.problems[0]!.message).toContain(message);
});
