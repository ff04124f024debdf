import { songOf } from '../../test/samples/song.ts';
import { families } from '../families/index.ts';
import { openInstrument, specFromPreset } from '../instrument/instrument.ts';
import { expectOk } from '../result.ts';
import type { FamilyId } from '../families/index.ts';
import { knownFitter, lackingDegrees, readKnownDegrees, songFitter } from './fits.ts';
import { melodySketch } from './opening.ts';
import { transposed } from './transpose.ts';

const sketched = (song: ReturnType<typeof songOf>) => ({ keys: song.keys, sketch: melodySketch(song) });
const open = (family: FamilyId, preset: string = families[family].presets[0]!.id) =>
  expectOk(openInstrument(specFromPreset(family, preset)));
const plain = new Set(['plain']);

test('a scale of C lies plainly on a C harmonica from hole 4 on, one of D♭ a semitone lower', () => {
  const fit = songFitter(open('diatonic', '60'), plain);
  const scale = songOf('C5 D5 E5 F5 | G5 A5 B5 C6');
  expect(fit(sketched(scale))).toEqual({ transpose: 0, keyName: 'C', missing: [] });
  expect(fit(sketched(transposed(scale, 1)))).toEqual({ transpose: -1, keyName: 'C', missing: [] });
  // An octave lower the 4 and the 6 need bends, so that an octave up is the nearest plain place.
  expect(fit(sketched(transposed(scale, -12)))).toMatchObject({ transpose: 12, missing: [] });
});

test('without half-holes a whistle has its own key and the one a fourth up', () => {
  const whistle = open('whistle', '74');
  const without = new Set(families.whistle.techniques.map(({ id }) => id).filter((id) => id !== 'half'));
  const fit = songFitter(whistle, without);
  const scale = songOf('D5 E5 F#5 G5 | A5 B5 C#6 D6', {
    keys: [{ at: 0, tonic: { letter: 'D', accidental: 0 }, scale: 'major' }],
  });
  expect(fit(sketched(scale))).toEqual({ transpose: 0, keyName: 'D', missing: [] });
  const chromatic = songOf('D5 D#5 E5 F5 F#5 G5 G#5 A5');
  expect(fit(sketched(chromatic))!.missing.length).toBeGreaterThan(0);
});

test('a harp is set once: what needs a lever moved on the way does not fit', () => {
  const harp = open('harp');
  const fit = songFitter(harp, new Set(['set']));
  expect(fit(sketched(songOf('C4 D4 E4 F4 | G4 A4 B4 C5')))!.missing).toEqual([]);
  const both = fit(sketched(songOf('C4 C#4 D4 D#4 | E4 F4 F#4 G4')));
  expect(both!.missing.length).toBeGreaterThan(0);
});

test('what needs only notes that are known, and the note that is still lacking', () => {
  // G A B C D: the first five of G.
  const fit = knownFitter(new Set([67, 69, 71, 72, 74]));
  expect(fit(sketched(songOf('C4 D4 E4 F4 | G4')))).toEqual({ transpose: 7, keyName: 'G', missing: [] });
  // 1 2 3 5 6 lies in F but for F itself; in G its sixth would be lacking, which is no nearer.
  expect(fit(sketched(songOf('C4 D4 E4 G4 | A4')))).toEqual({ transpose: 5, keyName: 'F', missing: [65] });
  expect(fit({ ...sketched(songOf('C4')), sketch: { first: [], pitches: [], notes: 0 } })).toBeUndefined();
});

test('degrees are written in any order, with signs; what is none is told by its place', () => {
  expect([...expectOk(readKnownDegrees('5 1, b3 ♯4'))]).toEqual([7, 0, 3, 6]);
  expect(readKnownDegrees('1 2 8')).toMatchObject({ ok: false, problems: [{ position: 4, wrong: '8' }] });
});

test('what a pupil lacks is told by degrees, whatever the key', () => {
  const song = songOf('C4 D4 E4 G4 | A4 C5');
  const first5 = new Set([0, 2, 4, 5, 7]);
  expect(lackingDegrees(sketched(song), first5)).toEqual([9]);
  expect(lackingDegrees(sketched(transposed(song, 3)), first5)).toEqual([9]);
  expect(lackingDegrees(sketched(songOf('C4 E4 G4')), first5)).toEqual([]);
});
