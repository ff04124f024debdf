import { songOf } from '../../test/samples/song.ts';
import { families } from '../families/index.ts';
import { openInstrument, specFromPreset } from '../instrument/instrument.ts';
import { expectOk } from '../result.ts';
import { defaultPreferences } from '../route/preferences.ts';
import type { Song } from './song.ts';
import { songTunings } from './songTunings.ts';

const dulcimer = (preset: string) => expectOk(openInstrument(specFromPreset('dulcimer', preset)));
const tunings = (preset: string, song: Song) =>
  songTunings(dulcimer(preset), song, defaultPreferences(families.dulcimer), 0);

/** D E F G | A B♭ C D and down: no fret of a dulcimer in D A D has F or B♭ on its melody string. */
const IN_D_MINOR = songOf('D4 E4 F4 G4 | A4 Bb4 C5 D5 | C5 Bb4 A4 G4 | F4 E4 D4*2', {
  keys: [{ at: 0, tonic: { letter: 'D', accidental: 0 }, scale: 'natural-minor' }],
});

test('a tune in D minor lies whole in D A C, with both drones, one string turned by a tone', () => {
  const [best, ...others] = tunings('d3-a3-d4', IN_D_MINOR);
  expect(best).toMatchObject({
    settings: [{ option: 'tuning', choice: 'D3 A3 C4' }],
    todo: ['tune the melody string down a tone'],
    drones: 2,
    suits: 2,
    fit: { missing: 0, notes: 15 },
  });
  const standing = others.find(({ settings }) => settings.length === 0)!;
  expect(standing.todo).toEqual([]);
  expect(standing.fit.missing).toBeGreaterThan(0);
});

test('for a tune that lies as it stands nothing is turned', () => {
  const inD = songOf('D4 E4 F#4 G4 | A4 B4 C#5 D5', {
    keys: [{ at: 0, tonic: { letter: 'D', accidental: 0 }, scale: 'major' }],
  });
  expect(tunings('d3-a3-d4', inD)[0]!.todo).toEqual([]);
});

test('every tuning that is told is borne, each once', () => {
  const found = tunings('c3-g3-c4', IN_D_MINOR);
  expect(new Set(found.map(({ name }) => name)).size).toBe(found.length);
  expect(found.flatMap(({ settings }) => settings).every(({ choice }) => choice !== 'G2 D3 G3')).toBe(true);
});

test('a drone that is foreign to the scale is worth turning one string for', () => {
  // In A major on the melody string alone, where both tunings are alike; its neighbour G is no note of A.
  const inA = songOf('A4 B4 E5 B4 | A4 E5 A4*2', {
    keys: [{ at: 0, tonic: { letter: 'A', accidental: 0 }, scale: 'major' }],
  });
  const alone = { ...defaultPreferences(families.dulcimer), preset: 'melody-string' };
  const found = songTunings(dulcimer('d3-g3-d4'), inA, alone, 0);
  const turned = found.findIndex(({ todo }) => todo[0] === 'tune the middle string up a tone');
  const standing = found.findIndex(({ todo }) => todo.length === 0);
  expect(found[turned]).toMatchObject({ drones: 2, suits: 2 });
  expect(found[standing]).toMatchObject({ drones: 2, suits: 1 });
  expect(found[turned]!.fit.ease).toBeCloseTo(found[standing]!.fit.ease);
  expect(turned).toBeLessThan(standing);
});
