import { families } from '@same-song/core/instruments';
import { LAYERS } from '@same-song/core/music';
import { defaultQuestion, PATTERNS, type StoredQuestion } from '@same-song/core/route';
import { courseWords, layerWords, scaleWords, sentence, rangeWords, tonicWords } from './questionWords.ts';

const question = (change: Partial<StoredQuestion> = {}): StoredQuestion => ({
  ...defaultQuestion(families.whistle, { home: 3, ownScale: 'major' }),
  ...change,
});

test('the question is one sentence, with the signs that musicians write', () => {
  const asked = question({
    tonic: 'Bb',
    scale: 'natural-minor',
    range: { kind: 'octaves', octaves: 2, from: 'best' },
    direction: 'up',
  });
  expect(sentence(asked, 'the E♭ whistle', 'an even hand')).toBe(
    'Play natural minor in B♭ on the E♭ whistle, two octaves up, with an even hand.',
  );
});

test.each([
  [{ kind: 'octaves', octaves: 1, from: 'best' }, 'Eb', 'one octave'],
  [{ kind: 'octaves', octaves: 4, from: 'best' }, 'Eb', 'four octaves'],
  [{ kind: 'octaves', octaves: 1, from: 'low' }, 'Eb', 'the low octave'],
  [{ kind: 'octaves', octaves: 2, from: 'high' }, 'Eb', 'the two octaves at the top'],
  [{ kind: 'octaves', octaves: 2, from: 75 }, 'Eb', 'two octaves from E♭5'],
  [
    { kind: 'octaves', octaves: 1, from: 'best', start: 7, turn: 3 },
    'Eb',
    'one octave starting on 5, turning on ♭3',
  ],
  [{ kind: 'octaves', octaves: 1, from: 'low', start: 2 }, 'Eb', 'the low octave starting on 2'],
  [{ kind: 'whole' }, 'Eb', 'the whole reach'],
  [{ kind: 'between', low: 58, high: 75 }, 'Eb', 'from B♭3 to E♭5'],
  [{ kind: 'between', low: 58, high: 75 }, 'E', 'from A♯3 to D♯5'],
] as const)('%j in %s is %s', (range, tonic, words) => {
  expect(rangeWords(range, question({ tonic }))).toBe(words);
});

test('a pattern is said only where it is not the straight one', () => {
  expect(courseWords(question({ direction: 'both' }))).toBe('up and down');
  for (const { id, label } of PATTERNS.filter((p) => p.id !== 'straight'))
    expect(courseWords(question({ direction: 'down', pattern: id }))).toBe(`down ${label}`);
  expect(courseWords(question({ direction: 'down-up', pattern: 'anchor', anchor: 1 }))).toBe(
    'down and up returning to the anchor, the second note',
  );
});

test('a layer is said before the scale, but for the whole scale', () => {
  for (const { id } of LAYERS) {
    const words = layerWords(question({ layer: id }));
    expect(words === '').toBe(id === 'scale');
    expect(sentence(question({ layer: id }), 'x', 'y')).toContain(words);
  }
});

test('a custom scale goes by the name it has or its formula; what cannot be read stays as it was typed', () => {
  expect(scaleWords(question({ scale: 'nonsense' }))).toBe('nonsense');
  expect(tonicWords(question({ tonic: 'F#' }))).toBe('F♯');
  expect(tonicWords(question({ tonic: 'Q' }))).toBe('Q');
});
