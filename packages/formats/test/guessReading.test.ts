import { expectOk } from '@same-song/core';
import {
  families,
  FAMILY_IDS,
  openInstrument,
  specFromPreset,
  type FamilyId,
} from '@same-song/core/instruments';
import { guessReading } from '@same-song/formats';

const PRESETS: Readonly<Partial<Record<FamilyId, string>>> = {
  diatonic: '60',
  chromatic: '60-12',
  whistle: '74',
};
const ids = FAMILY_IDS.filter((id) => id !== 'custom');
const instruments = ids.map((id) =>
  expectOk(openInstrument(specFromPreset(id, PRESETS[id] ?? families[id].presets[0]!.id))),
);

test.each([
  // Nothing but digits is degrees; a sign for the breath makes it a harmonica’s.
  ['1 2 3 5', 'degrees', undefined],
  ['key: Em\n1 b3 5', 'degrees', undefined],
  ['4 -4 5 5 -4 4', 'tab', 'diatonic'],
  ['-2 -3″ 4 | -123', 'tab', 'diatonic'],
  ['4d▸ 4d 4d▸ 4b', 'tab', 'chromatic'],
  ['XXXXOO XXXOOO XXOOOO', 'tab', 'whistle'],
  ['L m3 push, L m2 pull, R m1 push', 'tab', 'anglo'],
  ['0-0-2 0-0-3 3-3-4 6+', 'tab', 'dulcimer'],
  ['mel 3, bass 0, mel 6½', 'tab', 'dulcimer'],
] as const)('%j is taken for %s of %s', (text, kind, family) => {
  const guess = guessReading(text, instruments)!;
  expect(guess.kind).toBe(kind);
  expect(guess.instrument === undefined ? undefined : ids[guess.instrument]).toBe(family);
  expect(guess.explains).toBe(1);
});

test('what nobody understands is taken for nothing, and a slip leaves most explained', () => {
  expect(guessReading('§§§ ¤¤¤', instruments)).toBeUndefined();
  const slip = guessReading('4 -4 5 oops -4 4 -5 5', instruments)!;
  expect([slip.kind, ids[slip.instrument!]]).toEqual(['tab', 'diatonic']);
  expect(slip.explains).toBeCloseTo(7 / 8);
});

test('of instruments that explain as much the first counts', () => {
  const [one] = instruments;
  expect(guessReading('4 -4 5', [one!, one!])!.instrument).toBe(0);
});
