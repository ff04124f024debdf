import {
  beginsPage,
  HANDOUT_LIMIT,
  movedEntry,
  rangeForAll,
  readHandout,
  withEntries,
  withoutEntry,
} from './handout.ts';

const A = { scale: 'major', tonic: 'Bb', ref: 'preset:diatonic/60' };
const B = { scale: 'custom:1-b3-5', tonic: 'F#', ref: '5a3e5046-0000-4000-8000-000000000001~capo:3' };
const C = { ...A, tonic: 'F' };
const text = withEntries('', [A, B, C]);

test('entries go into a link and come back, none twice, what is no entry left out', () => {
  expect(readHandout(text)).toEqual([A, B, C]);
  expect(withEntries(text, [B, A])).toBe(text);
  expect(readHandout(`${text},nonsense,@@,a@b`)).toEqual([A, B, C]);
  expect(readHandout('')).toEqual([]);
  const many = Array.from({ length: 60 }, (_, i) => ({ ...A, tonic: `T${i}` }));
  expect(readHandout(withEntries('', many))).toHaveLength(HANDOUT_LIMIT);
});

test('entries are moved and taken out', () => {
  expect(readHandout(movedEntry(text, 2, -1))).toEqual([A, C, B]);
  expect(readHandout(movedEntry(text, 0, 1))).toEqual([B, A, C]);
  expect(movedEntry(text, 0, -1)).toBe(text);
  expect(readHandout(movedEntry(text, 2, 5))).toEqual([A, B, C]);
  expect(readHandout(withoutEntry(text, 1))).toEqual([A, C]);
});

test('pages begin with another scale, with each entry, or where they are full', () => {
  const entries = [A, C, B];
  const begins = (breaks: string) => entries.map((_, i) => beginsPage(breaks, entries, i));
  expect(begins('')).toEqual([false, false, true]);
  expect(begins('each')).toEqual([false, true, true]);
  expect(begins('none')).toEqual([false, false, false]);
});

test('a range that belongs to one key is not taken to another', () => {
  const octave = { kind: 'octaves', octaves: 2, from: 'low' } as const;
  expect(rangeForAll({ range: octave })).toBe(octave);
  expect(rangeForAll({ range: { kind: 'whole' } })).toEqual({ kind: 'whole' });
  const best = { kind: 'octaves', octaves: 1, from: 'best' };
  expect(rangeForAll({ range: { ...octave, from: 60 } })).toEqual(best);
  expect(rangeForAll({ range: { kind: 'between', low: 60, high: 72 } })).toEqual(best);
});
