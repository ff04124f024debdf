/** Where a teacher begins: the first line on every family, and where octaves are put. By hand. */
import { families, FAMILY_IDS, type FamilyId } from '../src/families/index.ts';
import { specFromPreset } from '../src/instrument/instrument.ts';
import { mapView } from '../src/map/mapView.ts';
import { parsePitch } from '../src/pitch/noteName.ts';
import { questionFromLink, questionToLink } from '../src/question/link.ts';
import {
  checkQuestion,
  defaultQuestion,
  withPattern,
  type StoredQuestion,
} from '../src/question/question.ts';
import { expectOk } from '../src/result.ts';
import type { Place } from '../src/route/range.ts';
import { instrumentOf } from './instruments.ts';

const pitch = (text: string) => expectOk(parsePitch(text));

function lineOn(family: FamilyId, preset: string, change: Partial<StoredQuestion> = {}, layout: object = {}) {
  const spec = specFromPreset(family, preset);
  const instrument = instrumentOf(family, preset, { layout: { ...(spec.layout as object), ...layout } });
  const question = { ...defaultQuestion(families[family], instrument), ...change };
  const asked = expectOk(checkQuestion(families[family], question));
  const { line } = mapView(instrument, asked, { naming: 'key', dialect: families[family].dialects[0]!.id });
  return { question, pitches: line.map((note) => note.pitch), tab: line.map((note) => note.tab) };
}

test.each([
  ['diatonic', '60', 'C', 'major', 'C5'],
  ['diatonic', '55', 'G', 'major', 'G4'],
  ['chromatic', '60-12', 'C', 'major', 'C4'],
  ['whistle', '74', 'D', 'major', 'D5'],
  ['english', 'treble', 'C', 'major', 'C4'],
  ['anglo', 'C-G-sharp-on-push', 'C', 'major', 'C4'],
  ['dulcimer', 'd3-a3-d4', 'D', 'major', 'D4'],
  ['harp', 'eb-34', 'Eb', 'major', 'Eb4'],
  ['drum', 'c-major-8', 'C', 'major', 'C4'],
  ['drum', 'd-minor-9', 'D', 'natural-minor', undefined],
  ['drum', 'e-minor-five-11', 'E', 'minor-pentatonic', undefined],
  ['custom', 'glasses-5', 'G', 'major-pentatonic', undefined],
] as const)('%s %s begins in %s %s on %s', (family, preset, tonic, scale, first) => {
  const { question, pitches } = lineOn(family, preset);
  expect([question.tonic, question.scale]).toEqual([tonic, scale]);
  if (first) expect([pitches[0], Math.max(...pitches)]).toEqual([pitch(first), pitch(first) + 12]);
});

test('a drum goes over its tongues, and down to its centre with the anchor, with nothing that it does not have', () => {
  const straight = lineOn('drum', 'd-minor-9').tab.join(' ');
  expect(straight).toBe('1 2 3 4 5 6 7 8 9 8 7 6 5 4 3 2 1');
  const anchored = { pattern: 'anchor', direction: 'down' } as const;
  expect(lineOn('drum', 'd-minor-9', anchored).tab.join(' ')).toBe('9 1 8 1 7 1 6 1 5 1 4 1 3 1 2 1');
  // In F major the D minor drum has all seven notes; its lowest is then the anchor still.
  const inF = { ...anchored, tonic: 'F', scale: 'major' };
  expect(lineOn('drum', 'd-minor-9', inF).tab.join(' ')).toBe('9 1 8 1 7 1 6 1 5 1 4 1 3 1 2 1');
});

test('an anchored pattern goes down unless somebody says otherwise, in links too', () => {
  const { drum } = families;
  expect(questionFromLink({ as: 'anchor' }, drum).question.direction).toBe('down');
  expect(questionFromLink({ as: 'anchor', dir: 'up' }, drum).question.direction).toBe('up');
  expect(questionFromLink({ as: 'pedal' }, drum).question.direction).toBe('both');
  const base = defaultQuestion(drum);
  expect(questionToLink({ ...base, ...withPattern(base, 'anchor') }, drum)).not.toHaveProperty('dir');
  expect(questionToLink({ ...base, pattern: 'anchor' }, drum)).toMatchObject({ dir: 'both' });
  expect(withPattern({ pattern: 'straight', direction: 'up' }, 'anchor').direction).toBe('up');
});

test('a C harmonica begins from 4 blow with plain notes only, and the dulcimer on its melody string', () => {
  expect(lineOn('diatonic', '60', { direction: 'up' }).tab.join(' ')).toBe(
    '4 blow 4 draw 5 blow 5 draw 6 blow 6 draw 7 draw 7 blow',
  );
  expect(lineOn('dulcimer', 'd3-a3-d4', { direction: 'up' }).tab.join(' ')).toBe(
    'mel 0 mel 1 mel 2 mel 3 mel 4 mel 5 mel 6½ mel 7',
  );
});

test.each([
  ['diatonic', '60', 'G', 'major-pentatonic', '2 draw|3 draw ″|3 draw|4 draw|5 blow|6 blow'],
  ['diatonic', '60', 'G', 'mixolydian', '2 draw|3 draw ″|3 draw|4 blow|4 draw|5 blow|5 draw|6 blow'],
  ['dulcimer', 'd3-a3-d4', 'D', 'major-pentatonic', 'mel 0|mel 1|mel 2|mel 4|mel 5|mel 7'],
  ['dulcimer', 'd3-a3-a3', 'D', 'major-pentatonic', 'mel 3|mel 4|mel 5|mel 7|mel 8|mel 10'],
  ['dulcimer', 'd3-a3-d4', 'G', 'major-pentatonic', 'mel 3|mel 4|mel 5|mel 7|mel 8|mel 10'],
  ['dulcimer', 'd3-a3-d4', 'A', 'mixolydian', 'mid 0|mid 1|mid 2|mel 0|mel 1|mel 2|mel 3|mel 4'],
] as const)('%s %s, %s %s begins where it is taught', (family, preset, tonic, scale, tab) => {
  expect(lineOn(family, preset, { tonic, scale, direction: 'up' }).tab.join('|')).toBe(tab);
});

test('an octave follows the preset, on Map as in Keys: G on an Anglo from G4, chords left from C5', () => {
  const from = (tonic: string, preset: string) => {
    const preferences = { preset, weights: {}, playingOptions: {} };
    return lineOn('anglo', 'C-G-sharp-on-push', { tonic, direction: 'up', preferences }).pitches[0];
  };
  expect(from('G', 'even')).toBe(pitch('G4'));
  expect(from('C', 'even')).toBe(pitch('C4'));
  expect(from('C', 'harmonic')).toBe(pitch('C5'));
});

test.each(['natural-minor', 'harmonic-minor'])('a harmonica in %s tuning begins in that scale', (tuning) => {
  const layout = instrumentOf('diatonic', '60').withOption('tuning', tuning) as object;
  expect(lineOn('diatonic', '60', {}, layout).question.scale).toBe(tuning);
});

test.each([
  ['D', 'dorian', 'D5', 'plain from 4 draw, as 3rd position minor is played'],
  ['G', 'blues-six', 'G4', 'from 2 draw, the only octave that is whole'],
  ['G', 'minor-pentatonic', 'G4', 'from 2 draw'],
] as const)('on a C harmonica %s %s begins on %s, %s', (tonic, scale, first, _) => {
  expect(lineOn('diatonic', '60', { tonic, scale }).pitches[0]).toBe(pitch(first));
});

test.each([
  ['diatonic', '60', 1, 'low', 'C4'],
  ['diatonic', '60', 1, 'middle', 'C5'],
  ['diatonic', '60', 1, 'high', 'C6'],
  ['diatonic', '60', 2, 'low', 'C4'],
  ['diatonic', '60', 2, 'high', 'C5'],
  // More than there is begins as low as can be.
  ['diatonic', '60', 4, 'high', 'C4'],
  // Four octaves of E♭ from E♭2 up to E♭6.
  ['harp', 'eb-34', 1, 'low', 'Eb2'],
  ['harp', 'eb-34', 1, 'middle', 'Eb3'],
  ['harp', 'eb-34', 1, 'high', 'Eb5'],
  ['harp', 'eb-34', 4, 'best', 'Eb2'],
] as const)('%s %s: %d octaves, %s, from %s', (family, preset, octaves, from: Place, first) => {
  const { pitches } = lineOn(family, preset, { range: { kind: 'octaves', octaves, from }, direction: 'up' });
  expect([pitches[0], pitches[pitches.length - 1]]).toEqual([pitch(first), pitch(first) + 12 * octaves]);
});

test('octaves from any home begin there, reached or not', () => {
  const from = (text: string) =>
    lineOn('whistle', '74', { range: { kind: 'octaves', octaves: 1, from: pitch(text) }, direction: 'up' });
  expect(from('D6').pitches[0]).toBe(pitch('D6'));
  expect(from('D4').pitches[0]).toBe(pitch('D4'));
});

test('every family begins where at least two thirds of its own scale can be played', () => {
  for (const id of FAMILY_IDS) {
    const { tab } = lineOn(id, families[id].presets[0]!.id);
    expect([id, tab.filter((text) => text === '').length * 3 < tab.length]).toEqual([id, true]);
  }
});
