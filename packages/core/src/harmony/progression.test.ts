import { expectOk } from '../result.ts';
import { scaleById } from '../scale/scale.ts';
import { FORMS, parseProgression } from './progression.ts';
import { notesOver, scaleFit, suitableScales } from './suitability.ts';

const read = (text: string, beats = 4) => parseProgression('x', text, beats);
const names = (text: string) =>
  expectOk(read(text)).bars.map((bar) => bar.map((chord) => chord.name).join(','));
const scale = (id: string) => expectOk(scaleById(id));

test.each([
  ['1 4 5', ['I', 'IV', 'V']],
  ['I IV V7 ii', ['I', 'IV', 'V7', 'ii']],
  ['1 6m | 2m,57 1', ['I', 'vi', 'ii,V7', 'I']],
  ['b7 ♭VII 4maj7 7°', ['♭VII', '♭VII', 'IVmaj7', 'vii°']],
  ['1 % 4 %', ['I', 'I', 'IV', 'IV']],
  ['ii7 vdim 1sus', ['ii7', 'v°', 'Isus4']],
])('%s is read as %j', (text, wanted) => {
  expect(names(text)).toEqual(wanted);
});

test('tones stand above home, root first', () => {
  const [bar] = expectOk(read('57')).bars;
  expect(bar![0]!.tones).toEqual([7, 11, 2, 5]);
  expect(expectOk(read('b6')).bars[0]![0]!.tones).toEqual([8, 0, 3]);
});

test.each([
  ['1 4 H 5', 4, 'no chord'],
  ['1 8', 2, 'no chord'],
  ['1,q 4', 2, 'no chord'],
  ['', 0, 'at least one chord'],
  ['% 1', 0, 'no bar before'],
  ['1 '.repeat(200), 0, 'At most 128 bars'],
])('%j is refused at character %d', (text, position, message) => {
  expect(read(text)).toMatchObject({
    ok: false,
    problems: [{ field: 'text', position, message: expect.stringContaining(message) }],
  });
});

test('a bar of no beats is refused at its own field', () => {
  expect(read('1', 0)).toMatchObject({ ok: false, problems: [{ field: 'beats' }] });
});

test('every form that is shipped is sound, and the twelve bars are twelve', () => {
  for (const form of FORMS) expect(expectOk(read(form.text, form.beats)).bars.length).toBeGreaterThan(7);
  expect(names(FORMS[0].text)).toEqual('I I I I IV IV I I V IV I V'.split(' '));
});

test('major pentatonic over I, IV and V: only the third rubs, over the four, and the root, over the five', () => {
  const clash = (text: string) =>
    notesOver(scale('major-pentatonic'), expectOk(read(text)).bars[0]![0]!)
      .filter((n) => n.fit === 'clash')
      .map((n) => n.semitone);
  expect(clash('1')).toEqual([]);
  expect(clash('4')).toEqual([]);
  expect(clash('5')).toEqual([0]);
});

test('a clash tells why and what to play instead', () => {
  const over = notesOver(scale('major'), expectOk(read('1')).bars[0]![0]!);
  const fourth = over.find((n) => n.semitone === 5)!;
  expect(fourth).toMatchObject({ fit: 'clash', why: 'a semitone above a chord tone', instead: 4 });
  const minorThird = notesOver(scale('natural-minor'), expectOk(read('1')).bars[0]![0]!).find(
    (n) => n.semitone === 3,
  )!;
  expect(minorThird).toMatchObject({ fit: 'clash', why: 'the other third' });
  expect(over.filter((n) => n.fit === 'chord').map((n) => n.semitone)).toEqual([0, 4, 7]);
});

test('♭3, ♭5 and ♭7 of a blues are its idiom, not clashes', () => {
  const fits = (id: string, chord: string) =>
    notesOver(scale(id), expectOk(read(chord)).bars[0]![0]!).map(({ semitone, fit }) => `${semitone} ${fit}`);
  expect(fits('blues-six', '17')).toEqual([
    '0 chord',
    '3 blue',
    '5 passing',
    '6 passing',
    '7 chord',
    '10 chord',
  ]);
  expect(fits('blues-six', '47')).toEqual([
    '0 chord',
    '3 chord',
    '5 chord',
    '6 blue',
    '7 passing',
    '10 blue',
  ]);
});

test.each([
  ['blues-12', 'major', true],
  ['blues-12-sevenths', 'mixolydian', true],
  ['blues-minor', 'harmonic-minor', false],
])('over %s %s suits best, the blues apart: %p', (form, id, blues) => {
  const { text } = FORMS.find((one) => one.id === form)!;
  const found = suitableScales(expectOk(read(text)));
  expect(found.scales[0]!.scale.id).toBe(id);
  expect(found.blues.length > 0).toBe(blues);
  expect(found.scales.every((fit) => fit.scale.group !== 'blues')).toBe(true);
  expect(found.blues.every((fit) => fit.scale.group === 'blues')).toBe(true);
});

test('what suits is said first, then which degrees are only passed through over which chords', () => {
  const reason = (id: string, text: string) => scaleFit(scale(id), expectOk(read(text))).reason;
  // Over I and IV the fourth and the major seventh lie a semitone above a tone, over V home does.
  expect(reason('major', '1 4 5')).toBe('has 100 % of the chord tones, in passing only: 4 over I, 1 over V');
  expect(reason('minor-pentatonic', '17 47 57')).toMatch(/^has \d+ % of the chord tones, nothing rubs$/);
});

test('the score of a scale, worked out by hand', () => {
  const score = (id: string, text: string) => scaleFit(scale(id), expectOk(read(text))).score;
  // All tones; over I the 4 rubs and over V the 1, both the progression's own: a fifth of a quarter each, in three bars.
  expect(score('major', '1 4 5')).toBeCloseTo(1 - (0.05 + 0.05) / 3);
  // ♯4 for 4: of 3 × 5 shares IV has 1 + 2 less: its root, doubled, is missing. ♯4 is foreign; nothing rubs over I.
  expect(score('lydian', '1 4 5')).toBeCloseTo(13 / 15 - (0 + 0.25 + 0.05) / 3 - 0.2);
  // Half a bar of IV counts half.
  expect(score('major', '1,4')).toBeCloseTo(1 - 0.05 / 2 - 0.2 * 2);
  expect(score('bebop-dominant', '1')).toBeCloseTo(1 - 0.05 * 0 - 0.25 - 0.2 * 5 - 0.1);
});
