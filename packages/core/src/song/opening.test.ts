import { songOf } from '../../test/samples/song.ts';
import { families } from '../families/index.ts';
import { openInstrument, specFromPreset } from '../instrument/instrument.ts';
import { expectOk } from '../result.ts';
import { isSameTune, melodySketch, opensAt, readOpenings, sameTunes } from './opening.ts';
import { transposed } from './transpose.ts';

const tune = songOf('G4 C5 C5 D5 | E5 D5 C5 A4 | G4*2 E4 G4 | C5*4');
const sketch = melodySketch(tune);
const found = (text: string) =>
  readOpenings(text).flatMap((opening) => {
    const at = opensAt(sketch, opening);
    return at === undefined ? [] : [[opening.kind, at]];
  });

test('a sketch holds the first notes, what is needed, and how many there are', () => {
  expect(sketch.first.slice(0, 4)).toEqual([67, 72, 72, 74]);
  expect(sketch.pitches).toEqual([64, 67, 69, 72, 74, 76]);
  expect(sketch.notes).toBe(12);
  expect(melodySketch(songOf('C4+E4 D4')).first).toEqual([64, 62]);
});

test('found by degrees, by notes in any key, with repeats left out, and after a pickup', () => {
  expect(found('5 1 1 2 3')).toEqual([['degrees', 0]]);
  expect(found('5 1 2 3 2')).toEqual([['degrees', 0]]);
  expect(found('51123')).toEqual([['degrees', 0]]);
  expect(found('1 1 2 3 2')).toEqual([['degrees', 1]]);
  expect(found('D G G A B')).toEqual([['notes', 0]]);
  expect(found('B♭3 E♭4 F4 G4')).toEqual([['notes', 0]]);
  expect(found('5 1 2 b3')).toEqual([]);
  expect(found('5 1')).toEqual([]);
  expect(found('Lantern walk')).toEqual([]);
});

test('degrees of a minor tune are those of its own scale', () => {
  const minor = melodySketch(songOf('A4 B4 C5 D5 | E5*4'));
  const kinds = readOpenings('1 2 3 4 5').filter((opening) => opensAt(minor, opening) === 0);
  expect(kinds).toHaveLength(1);
});

test('found by tab of an instrument', () => {
  const harmonica = expectOk(openInstrument(specFromPreset('diatonic', '60')));
  const words = families.diatonic.dialects[0]!.id;
  // Of a C harmonica 6 blow, 7 blow, 7 blow, 8 draw are G C C D.
  const [opening, ...others] = readOpenings('6 blow, 7 blow, 7 blow, 8 draw', harmonica, words);
  expect(others).toEqual([]);
  expect(opening).toMatchObject({ kind: 'tab', pitches: [79, 84, 84, 86] });
  expect(opensAt(sketch, opening!)).toBe(0);
});

test('the same tune in another key and with a note changed is the same, another is not', () => {
  expect(isSameTune(sketch, melodySketch(transposed(tune, 5)))).toBe(true);
  const varied = songOf('G4 C5 B4 D5 | E5 D5 C5 A4 | G4*2 E4 G4 | C5*4');
  // One note of eleven steps changes two of them: too much of so short a tune.
  expect(isSameTune(sketch, melodySketch(varied))).toBe(false);
  const long = (text: string) => melodySketch(songOf(`${text} | ${text} | ${text}`));
  const [bars, other] = ['G4 C5 C5 D5 | E5 D5 C5 A4 | G4*2 E4 G4', 'G4 C5 C5 D5 | F5 D5 C5 A4 | G4*2 E4 G4'];
  const once = melodySketch(songOf([bars, bars, other].join(' | ')));
  expect(isSameTune(long(bars), once)).toBe(true);
  expect(isSameTune(long(bars), melodySketch(songOf('C4 D4 E4 F4 | G4 F4 E4 D4 | C4*4')))).toBe(false);
  expect(isSameTune(sketch, { ...sketch, notes: 40 })).toBe(false);
});

test('of a library, what is there twice is told together', () => {
  const other = melodySketch(songOf('C4 D4 E4 F4 | G4 F4 E4 D4 | C4*4'));
  const up = melodySketch(transposed(tune, 2));
  expect(sameTunes([sketch, other, up, melodySketch(songOf('C4 C4 C4 C4'))])).toEqual([[0, 2]]);
  expect(sameTunes([])).toEqual([]);
});
