import { families } from '../families/index.ts';
import { openInstrument, specFromLayout, specFromPreset } from '../instrument/instrument.ts';
import { playedAnswer, type DrillQuestion } from '../practice/drillQuestion.ts';
import { parseNote } from '../pitch/noteName.ts';
import { expectOk } from '../result.ts';
import { keyOf, scaleById } from '../scale/scale.ts';
import { centsAround, centsWords, earFor, soundsAt, tuned, waysMeant } from './meant.ts';

const harmonica = expectOk(openInstrument(specFromPreset('diatonic', '60')));
const C = keyOf(expectOk(scaleById('major')), expectOk(parseNote('C')));
const meant = (midi: number) => waysMeant(harmonica, midi).map(({ way }) => way.id);
const wayOf = (id: string) => harmonica.ways.find((way) => way.id === id)!;

test('ways of one pitch are all meant, those that are easier first', () => {
  // G4 is 2 draw and 3 blow; C5 is 4 blow, and 3 overblown.
  expect(meant(67)).toEqual(['2d', '3b']);
  expect(meant(72)[0]).toBe('4b');
  expect(meant(72)).toContain('3bo');
});

test('of pitches a semitone apart the nearer is meant first, and beyond reach nothing', () => {
  // E5 is 5 blow, F5 is 5 draw.
  expect(meant(76.3)[0]).toBe('5b');
  expect(meant(76.7)[0]).toBe('5d');
  // Above the highest note there is nothing to mean.
  expect(meant(99)).toEqual([]);
});

test('two tongues a semitone apart are told apart, and both are listened for', () => {
  const layout = expectOk(families.drum.fromPitches!([60, 61, 64, 67].map((pitch) => ({ pitch, cents: 0 }))));
  const drum = expectOk(openInstrument(specFromLayout('drum', layout)));
  const first = (midi: number) => waysMeant(drum, midi)[0]?.way.pitch;
  expect([59.8, 60.2, 60.49, 60.51, 60.9, 61.3].map(first)).toEqual([60, 60, 60, 61, 61, 61]);
  expect(earFor(drum).candidates).toEqual([60, 61, 64, 67]);
  expect(earFor(drum).struck).toBe(true);
});

test('the twin of the right way is taken for it, another pitch is not', () => {
  const question = (right: string): DrillQuestion => ({
    prompt: '',
    heard: [],
    choices: [],
    right: [right],
    answer: '',
    about: '',
  });
  const answer = (right: string, midi: number) =>
    playedAnswer(
      question(right),
      C,
      waysMeant(harmonica, midi).map(({ way }) => way),
    );
  expect([answer('3b', 67), answer('2d', 67)]).toEqual(['3b', '2d']);
  expect(answer('4b', 67)).toBe('2d');
  expect(answer('4b', 99)).toBeUndefined();
});

test('a reed sounds as it was measured, a bend where it ought to be; both are judged against what is around them', () => {
  const spec = specFromPreset('diatonic', '60');
  const measured = { '3b': { pitch: 67, cents: -12 }, '3d': { pitch: 71, cents: 6 } };
  const old = expectOk(openInstrument({ ...spec, measured }));
  const way = (id: string) => old.ways.find((one) => one.id === id)!;
  expect(soundsAt(old, way('3b'))).toBeCloseTo(66.88, 6);
  expect(soundsAt(old, way('3d2'))).toBeCloseTo(69, 6);
  // Between a G4 12 cents flat and a B4 6 cents sharp: 3 cents flat.
  expect(centsAround(old, way('3d2'))).toBeCloseTo(-3, 6);
  expect(centsAround(old, way('3d'))).toBe(0);
  expect(centsAround(harmonica, wayOf('3d2'))).toBe(0);
});

test.each([
  [0, false, 'good'],
  [5, false, 'good'],
  [5.1, false, 'in tune'],
  [-10, false, 'in tune'],
  [10.1, false, 'sharp'],
  [-10.1, false, 'flat'],
  [15, true, 'in tune'],
  [-15.1, true, 'flat'],
] as const)('%d cents, bent: %s, is %s', (cents, bent, wanted) => {
  expect(tuned(cents, bent)).toBe(wanted);
  expect(centsWords(cents, bent)).not.toBe('');
});
