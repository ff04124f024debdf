import { expectOk } from '@same-song/core';
import { families, openInstrument, specFromPreset } from '@same-song/core/instruments';
import { scaleById, SCALES } from '@same-song/core/music';
import { defaultPreferences, keyTable, settingsBetween } from '@same-song/core/route';
import { heatOf, orderedRows, SCALE_SETS, shownScales } from './tableShape.ts';

const instrument = expectOk(openInstrument(specFromPreset('whistle', '75')));
const scales = ['major', 'dorian'].map((id) => expectOk(scaleById(id)));
const table = keyTable(instrument, scales, defaultPreferences(families.whistle));
const homes = (order: string) =>
  orderedRows(table, order, instrument.home, 'major', undefined).map((row) => row[0]!.home);

test('a set by its name, or scales of one’s own; the question’s own is always there, and nothing twice', () => {
  expect(shownScales('', 'major')).toEqual(SCALE_SETS[0]!.ids);
  expect(shownScales('', 'lydian')).toEqual(['lydian', ...SCALE_SETS[0]!.ids]);
  expect(shownScales('dorian,custom:1-2-b3,dorian', 'major')).toEqual(['major', 'dorian', 'custom:1-2-b3']);
  expect(shownScales('none', 'major')).toEqual(['major']);
  expect(shownScales('qwerty,,<b>,custom:1-2-2', 'major')).toEqual(['major']);
  const every = SCALE_SETS.filter((set) => set.id.startsWith('group-')).flatMap((set) => set.ids);
  expect(SCALE_SETS.map((set) => set.id)).toEqual(expect.arrayContaining(['group-main', 'group-blues']));
  expect(SCALE_SETS.find((set) => set.id === 'group-main')!.ids).toContain('harmonic-minor');
  expect(SCALE_SETS.find((set) => set.id === 'group-main')!.ids).not.toContain('dorian');
  expect([...every].sort()).toEqual(SCALES.map((s) => s.id).sort());
});

test('rows by fifths and by semitones from the own key, or the easiest of one scale first', () => {
  const home = instrument.home;
  expect(homes('')).toEqual(Array.from({ length: 12 }, (_, i) => (home + 7 * i) % 12));
  expect(homes('semitones')).toEqual(Array.from({ length: 12 }, (_, i) => (home + i) % 12));
  expect(homes('ease.major')[0]).toBe(home);
  expect(homes('ease.lydian')).toEqual(homes('ease.major'));
  // Dorian on its second degree has the fingerings of the own major.
  expect([home, (home + 2) % 12, (home + 7) % 12]).toContain(homes('ease.dorian')[0]);
  expect([...homes('ease.dorian')].sort()).toEqual([...homes('')].sort());
});

test('a harp’s keys by the levers that must be moved from the one asked', () => {
  const harp = expectOk(openInstrument(specFromPreset('harp', 'eb-34')));
  const levers = keyTable(harp, scales, defaultPreferences(families.harp));
  const asked = levers.rows[7]!.find((cell) => cell.scale === 'major')!;
  const rows = orderedRows(levers, 'settings', harp.home, 'major', asked);
  expect(asked.tonic).toBe('G');
  // From G one lever to C and to D, two to F and A, three to B♭ and E, four to E♭; the others cannot be had whole.
  const whole = rows.map((row) => row[0]!).filter((cell) => cell.octaves[cell.best!]!.hard.length === 0);
  expect(whole.map((cell) => [cell.tonic, settingsBetween(asked, cell)])).toEqual([
    ['G', 0],
    ['C', 1],
    ['D', 1],
    ['F', 2],
    ['A', 2],
    ['Bb', 3],
    ['E', 3],
    ['Eb', 4],
  ]);
});

test('the easiest octave of a table is the hottest, the hardest the coldest, no octave is cold', () => {
  const heat = heatOf(table);
  const cells = table.rows.flat();
  const perNote = (i: number) => cells[i]!.octaves[cells[i]!.best!]!.total / cells[i]!.notes;
  const whole = cells.flatMap((cell, i) => (cell.best === undefined ? [] : [i]));
  const byEffort = [...whole].sort((a, b) => perNote(a) - perNote(b));
  expect(heat(cells[byEffort[0]!]!)).toBe(1);
  expect(heat(cells[byEffort.at(-1)!]!)).toBe(0);
  const heats = byEffort.map((i) => heat(cells[i]!));
  expect(heats).toEqual([...heats].sort((a, b) => b - a));
  expect(heat({ ...cells[0]!, best: undefined, octaves: [] })).toBe(0);
});
