import { parseNote } from '../pitch/noteName.ts';
import { expectOk } from '../result.ts';
import { scaleById } from '../scale/scale.ts';
import { chordSymbol, parseChord } from './chord.ts';
import { QUALITIES } from './qualities.ts';
import { mainChords, triadsOf } from './scaleChords.ts';

const note = (text: string) => expectOk(parseNote(text));
const read = (text: string, tonic = 'C') => expectOk(parseChord(text, note(tonic)));

test.each([
  // Spelled out by hand: semitones above C.
  ['C', [0, 4, 7]],
  ['Am7♭5', [9, 0, 3, 7]],
  ['Am7b5', [9, 0, 3, 7]],
  ['Bø7', [11, 2, 5, 9]],
  ['F♯°7', [6, 9, 0, 3]],
  ['Ebmaj7', [3, 7, 10, 2]],
  ['G7#9', [7, 11, 2, 5, 10]],
  ['D7b9', [2, 6, 9, 0, 3]],
  ['Dsus4', [2, 7, 9]],
  ['Asus2', [9, 11, 4]],
  ['E+', [4, 8, 0]],
  ['Gadd9', [7, 11, 2, 9]],
  ['F6/9', [5, 9, 0, 2, 7]],
  ['BbmM7', [10, 1, 5, 9]],
  ['A5', [9, 4]],
  ['N.C.', []],
])('%s sounds %j', (text, tones) => {
  expect(read(text).tones).toEqual(tones);
});

test.each([
  ['C/E', 'I/3', 'C/E'],
  ['♭VII7', '♭VII7', 'B♭7'],
  ['b7', '♭VII', 'B♭'],
  ['4m', 'iv', 'Fm'],
  ['ii7', 'ii7', 'Dm7'],
  ['57', 'V7', 'G7'],
  ['vii°', 'vii°', 'B°'],
  ['viiø', 'vii7♭5', 'Bm7♭5'],
  ['iø7', 'i7♭5', 'Cm7♭5'],
  ['F#m7/C#', '♯iv7/♯1', 'F♯m7/C♯'],
  ['16/9', 'I6/9', 'C6/9'],
  ['nc', 'N.C.', 'N.C.'],
])('%s is %s, in C %s', (text, name, symbol) => {
  expect(read(text).name).toBe(name);
  expect(chordSymbol(read(text), note('C'))).toBe(symbol);
});

test('a chord moves with the key and is spelled by its degree', () => {
  const chord = read('Ebm7', 'Bb');
  expect(chord.name).toBe('iv7');
  expect(chordSymbol(chord, note('F#'))).toBe('Bm7');
  expect(chordSymbol(read('♭VI', 'C'), note('Db'))).toBe('B♭♭');
});

test('every quality is read back from its degree and from its name in every key', () => {
  for (const { id } of QUALITIES)
    for (const tonic of ['C', 'Gb', 'A']) {
      const chord = read(`4${id}`, tonic);
      expect(chord.quality).toBe(id);
      expect(read(chord.name, tonic)).toEqual(chord);
      expect(read(chordSymbol(chord, note(tonic)), tonic)).toEqual(chord);
    }
});

test.each([
  ['H7', 'no chord'],
  ['8', 'no chord'],
  ['Cmaj77', 'no chord'],
  ['', 'no chord'],
])('%j is refused', (text, message) => {
  expect(parseChord(text, note('C'))).toMatchObject({
    ok: false,
    problems: [{ position: 0, message: expect.stringContaining(message) }],
  });
});

test('a name without a key is refused with what would be right', () => {
  expect(parseChord('Am7')).toMatchObject({
    ok: false,
    problems: [{ message: expect.stringContaining('written by degree') }],
  });
});

describe('chords of a scale', () => {
  const names = (id: string) => triadsOf(expectOk(scaleById(id))).map((chord) => chord.name);
  test.each([
    ['major', 'I ii iii IV V vi vii°'],
    ['natural-minor', 'i ii° ♭III iv v ♭VI ♭VII'],
    ['harmonic-minor', 'i ii° ♭III+ iv V ♭VI vii°'],
    ['dorian', 'i ii ♭III IV v vi° ♭VII'],
    ['major-pentatonic', 'I IV V'],
    ['blues-six', 'I7 IV7 V7'],
    ['blues-both-thirds', 'I7 IV7 V7'],
  ])('of %s: %s', (id, wanted) => {
    expect(names(id).join(' ')).toBe(wanted);
  });

  test('main chords are those on 1, 4 and 5, by the scale’s own thirds', () => {
    const tones = (id: string) => mainChords(expectOk(scaleById(id))).map((chord) => chord.tones);
    expect(tones('natural-minor')).toEqual([
      [0, 3, 7],
      [5, 8, 0],
      [7, 10, 2],
    ]);
    // A blues is played over sevenths, its five notes alone over minor chords too.
    expect(tones('blues-six')[1]).toEqual([5, 9, 0, 3]);
    expect(tones('minor-pentatonic')[0]).toEqual([0, 3, 7]);
    expect(tones('low-minor-pentatonic')[1]).toEqual([5, 8, 0]);
    expect(tones('major-pentatonic')[2]).toEqual([7, 11, 2]);
  });
});
