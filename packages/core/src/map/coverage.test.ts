import { openInstrument, specFromPreset } from '../instrument/instrument.ts';
import { parseNote, parsePitch } from '../pitch/noteName.ts';
import { expectOk } from '../result.ts';
import type { LineNote } from '../route/line.ts';
import { keyOf, scaleById } from '../scale/scale.ts';
import { coverageOf } from './coverage.ts';

const harmonica = expectOk(openInstrument(specFromPreset('diatonic', '60')));
const C = keyOf(expectOk(scaleById('major')), expectOk(parseNote('C')));
const line = (names: string): readonly LineNote[] =>
  names
    .split(' ')
    .map((name, i) => ({ id: String(i), pitch: expectOk(parsePitch(name)), onset: i, length: 1 }));
const usable = (...without: readonly string[]) =>
  harmonica.ways.filter(({ technique }) => !without.includes(technique));

test('what hangs on a technique that cannot be relied on is told by technique, each pitch once', () => {
  // By hand on a C harmonica: A4 is 3 draw bent by two, B6 and B♭6 are 10 blow bent; F4 (2 draw by two) and B♭4 are safe.
  expect(coverageOf(harmonica, C, line('C4 F4 A4 A4 Bb4 B6 Bb6 C4'), usable())).toMatchObject({
    have: 6,
    of: 6,
    hard: [
      { technique: 'middle-bend', pitches: 1 },
      { technique: 'blow-bend', pitches: 2 },
    ],
  });
});

test('a pitch that an easier way has too is not hard', () => {
  // G4 is 2 draw and 3 blow; G♭4 only 2 draw bent by one; C5 is 4 blow, 3 overblown too.
  expect(coverageOf(harmonica, C, line('G4 C5'), usable()).hard).toEqual([]);
  expect(coverageOf(harmonica, C, line('Gb4 C5'), usable()).hard).toMatchObject([
    { technique: 'middle-bend', pitches: 1 },
  ]);
});

test('what may not be used is not had, and breaks the octaves that need it', () => {
  // Three octaves of C major; without middle bends the lowest lacks A4, without blow bends the highest lacks B6.
  expect(coverageOf(harmonica, C, line('C4 A4 B6'), usable()).octavesFrom).toEqual([60, 72, 84]);
  expect(coverageOf(harmonica, C, line('C4 A4 B6'), usable('middle-bend'))).toMatchObject({
    have: 2,
    of: 3,
    octavesFrom: [72, 84],
  });
  expect(coverageOf(harmonica, C, line('C4 A4 B6'), usable('middle-bend', 'blow-bend'))).toMatchObject({
    have: 1,
    of: 3,
    hard: [],
    octavesFrom: [72],
  });
});
