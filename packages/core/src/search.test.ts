import { found, isMistyped, searchRank } from './search.ts';

test.each([
  ['B♭ harmonica', 'harmonica b♭', 1],
  ['B♭ harmonica', 'Bb harm', 2],
  ['low E♭ harmonica', 'eb', 1],
  ['5th whistle, D', 'whistle 5', 2],
  ['whole-tone', 'wholetone', 0],
  ['harmonic minor', 'harmonicmin', 3],
  ['the V chord', 'V', 1],
  ['the IV chord', 'V', 4],
  ['melody string', 'lody', 4],
  ['melody string', 'string bass', undefined],
  ['anything', '', 1],
])('“%s” answers “%s” with %p', (text, typed, rank) => {
  expect(searchRank(typed, text)).toBe(rank);
});

test('the best comes first: V is V, not IV', () => {
  const chords = ['the I chord', 'the IV chord', 'the V chord', 'the vii° chord'];
  expect(found(chords, 'v', (text) => [text])).toEqual(['the V chord', 'the vii° chord', 'the IV chord']);
  expect(found(chords, ' ', (text) => [text])).toEqual(chords);
});

test.each([
  ['dorian', 'dorain', true],
  ['dorian', 'doriann', true],
  ['dorian', 'doran', true],
  ['dorian', 'durian', true],
  ['dorian', 'durain', false],
  ['dorian', 'locrian', false],
  // Three letters are too few to be sure that one is wrong.
  ['dorian', 'dur', false],
  ['melodic minor', 'minir melodic', true],
])('%s from “%s”: %p', (text, typed, is) => {
  expect(isMistyped(typed, text)).toBe(is);
});
