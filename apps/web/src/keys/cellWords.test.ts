import { expectOk } from '@same-song/core';
import { families, FAMILY_IDS, openInstrument, specFromPreset } from '@same-song/core/instruments';
import { scaleById } from '@same-song/core/music';
import { defaultPreferences, keyTable } from '@same-song/core/route';
import { almostText, demandsText, hardText, octavesText, tonicText, whereText } from './cellWords.ts';
import { mapLink } from './mapLink.ts';

const cells = FAMILY_IDS.flatMap((id) => {
  const instrument = expectOk(openInstrument(specFromPreset(id, families[id].presets[0]!.id)));
  const scales = ['major', 'chromatic'].map((s) => expectOk(scaleById(s)));
  return keyTable(instrument, scales, defaultPreferences(families[id]))
    .rows.flat()
    .map((cell) => ({ cell, family: families[id] }));
});

test('every cell of every family says what it shows, and nothing where there is nothing', () => {
  for (const { cell, family } of cells) {
    const count = cell.octaves.length;
    expect(octavesText(cell)).toBe(
      count === 0 ? 'no whole octave' : `${count} octave${count === 1 ? '' : 's'}`,
    );
    expect(
      whereText(cell)
        .split(', ')
        .filter((t) => t !== ''),
    ).toHaveLength(count);
    expect(demandsText(cell) === '').toBe(count === 0);
    if (count === 0) expect(hardText(cell, family)).toBe('');
    expect(tonicText(cell.tonic)).toMatch(/^[A-G][♯♭]?$/);
  }
});

test('an octave that lacks only its last note is told, high, low or alone', () => {
  const dorian = (preset: string, tonic: number) => {
    const instrument = expectOk(openInstrument(specFromPreset('diatonic', preset)));
    const table = keyTable(
      instrument,
      [expectOk(scaleById('minor-pentatonic'))],
      defaultPreferences(families.diatonic),
    );
    return table.rows.flat().find((cell) => cell.home === tonic)!;
  };
  // 3rd position on a C harmonica: D4, D5, and D6 up to C7.
  expect(almostText(dorian('60', 2))).toBe('and a high one that lacks only its last note');
  expect(dorian('60', 2).octaves).toHaveLength(2);
  // 5th position begins on E4 and has both octaves up to E6; nothing begins on E6 but E, G and A.
  expect(almostText(dorian('60', 4))).toBe('');
  expect(almostText({ ...dorian('60', 2), octaves: [], lies: false })).toBe(
    'but one that lacks only its last note',
  );
});

test('octaves begin on the note that the key is called after', () => {
  const sharp = cells.filter(({ cell }) => cell.tonic === 'F#' && cell.octaves.length > 0);
  expect(sharp.length).toBeGreaterThan(3);
  for (const { cell } of sharp) expect(whereText(cell)).toMatch(/^F♯\d–F♯\d/);
});

test('what is hard is named as players name it', () => {
  const hard = new Set(cells.map(({ cell, family }) => hardText(cell, family)).filter((t) => t !== ''));
  expect(hard.size).toBeGreaterThan(2);
  for (const text of hard) expect(text).not.toMatch(/[a-z]-(bend|hole)\b(?!s)/);
});

test('a link to Map names instrument, key and scale, whatever their signs', () => {
  const link = new URL(
    mapLink('preset:anglo/C-G-two-rows', { tonic: 'F#', scale: 'custom:1-b3-5' }),
    'http://x',
  );
  expect(Object.fromEntries(link.searchParams)).toEqual({
    on: 'preset:anglo/C-G-two-rows',
    in: 'F#',
    play: 'custom:1-b3-5',
  });
});

test('a drum that has the whole scale but no octave in a row says so, and one that lacks a note does not', () => {
  const drum = expectOk(openInstrument(specFromPreset('drum', 'd-minor-9')));
  const scales = [expectOk(scaleById('natural-minor'))];
  const { rows } = keyTable(drum, scales, defaultPreferences(families.drum));
  const [inD, inE] = [rows[2]![0]!, rows[4]![0]!];
  expect([octavesText(inD), almostText(inD)]).toEqual(['every note of the scale', '']);
  expect(octavesText(inE)).toBe('no whole octave');
});
