/** In which octave a song opens. Tunes and figures by hand. */
import { ableInstrument } from '../../test/instruments.ts';
import { songOf } from '../../test/samples/song.ts';
import type { FamilyId } from '../families/index.ts';
import { familyById } from '../families/index.ts';
import { plainPlan } from './arrangement.ts';
import { songFitter } from './fits.ts';
import { melodySketch } from './opening.ts';
import { songView } from './songView.ts';
import type { Song } from './song.ts';

const key = (letter: 'A' | 'D', scale = 'major') => [{ at: 0, tonic: { letter, accidental: 0 }, scale }];
/** Of a jig, as tune books write it: F♯4 to A5. */
const JIG = songOf('F#4 A4 D5 F#5 | A5 F#5 D5 A4 | B4 G4 A4 F#4 | D5*4', { keys: key('D') });
const REEL = songOf('A4 D5 F#5 A5 | B5 A5 F#5 E5 | D5 B4 A4 F#5 | D5*4', { keys: key('D') });
const PENTATONIC = songOf('A4 C5 D5 E5 | G5 A5 G5 E5 | D5 C5 A4*2', { keys: key('A', 'natural-minor') });

const viewOn = (family: FamilyId, preset: string, song: Song, plan = {}) =>
  songView(
    ableInstrument(family, preset),
    song,
    { ...plainPlan(familyById(family)!), ...plan },
    { naming: 'key', dialect: familyById(family)!.dialects[0]!.id },
  );

test.each([
  ['whistle', '74', JIG, 12],
  ['drum', 'a-minor-five-13', PENTATONIC, -12],
  // With none missing a tune stays as it is written, whatever it costs.
  ['diatonic', '62', REEL, 0],
  ['english', 'treble', JIG, 0],
  ['chromatic', '60-12', PENTATONIC, 0],
] as const)('on a %s %s a tune opens whole', (family, preset, song, octave) => {
  const view = viewOn(family, preset, song);
  expect(view.transpose).toBe(octave);
  expect(view.missing).toEqual([]);
  expect(view.octaves).toEqual([]);
});

test('what somebody chose is kept, and the whole tune an octave up is offered for what is missing', () => {
  const written = viewOn('whistle', '74', JIG, { transpose: 0 });
  expect(written.transpose).toBe(0);
  // Below D5: F♯4 twice, A4 three times, B4 and G4.
  expect(written.missing).toHaveLength(7);
  expect(written.octaves[0]).toEqual({ by: 12, saves: 7 });
  expect(viewOn('whistle', '74', JIG, { transpose: 12 }).octaves).toEqual([]);
});

test('what is decided about single notes does not move the whole', () => {
  const decisions = ['n1', 'n2', 'n8', 'n9', 'n10', 'n11', 'n12'].map((noteId) => ({
    noteId,
    kind: 'leave' as const,
  }));
  expect(viewOn('whistle', '74', JIG, { decisions }).transpose).toBe(12);
});

test('what fits a whistle is told in the key of the tune, an octave up', () => {
  const fit = songFitter(ableInstrument('whistle', '74'), new Set(['plain', 'cross', 'upper']));
  expect(fit({ keys: REEL.keys, sketch: melodySketch(REEL) })).toEqual({
    transpose: 12,
    keyName: 'D',
    missing: [],
  });
});
