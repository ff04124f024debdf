import { lineFromLowest, routeOf } from '../../../test/instruments.ts';
import { openInstrument, specFromPreset, type Instrument } from '../../instrument/instrument.ts';
import { parseNote } from '../../pitch/noteName.ts';
import { expectOk } from '../../result.ts';
import { keyOf, scaleById } from '../../scale/scale.ts';

const open = (preset: string, layout: object = {}): Instrument => {
  const spec = specFromPreset('dulcimer', preset);
  return expectOk(openInstrument({ ...spec, layout: { ...(spec.layout as object), ...layout } }));
};
const keyIn = (tonic: string, scale = 'major') =>
  keyOf(expectOk(scaleById(scale)), expectOk(parseNote(tonic)));

function frets(instrument: Instrument, tonic: string, scale: string, preset = 'noter'): string[] {
  const { ways } = instrument;
  const melody = ways.filter((w) => preset !== 'noter' || w.id.startsWith('melody')).map((w) => w.pitch);
  const compass = melody;
  const line = lineFromLowest(keyIn(tonic, scale), compass);
  const { notes } = routeOf(instrument, line, { preset, weights: {}, playingOptions: {} });
  return notes.map((n) => n.way?.id.split('.')[1] ?? '—');
}

test.each([
  // In 1-5-8 major starts on the open string and uses 6½; in 1-5-5 it starts at 3.
  ['c3-g3-c4', 'C', 'major', ['0', '1', '2', '3', '4', '5', '6½', '7']],
  ['g2-d3-g3', 'G', 'major', ['0', '1', '2', '3', '4', '5', '6½', '7']],
  ['d3-a3-a3', 'D', 'major', ['3', '4', '5', '6', '7', '8', '9', '10']],
  ['d3-a3-c4', 'D', 'natural-minor', ['1', '2', '3', '4', '5', '6', '7', '8']],
  ['c3-g3-c4', 'C', 'mixolydian', ['0', '1', '2', '3', '4', '5', '6', '7']],
])('in %s the %s %s scale lies on frets %j', (preset, tonic, scale, wanted) => {
  expect(frets(open(preset), tonic, scale)).toEqual(wanted);
});

test('a major scale lies from the open melody string and again from fret 3 of the middle string', () => {
  const { ways } = open('c3-g3-c4');
  const on = (string: string, pitches: number[]) =>
    pitches.map((p) => ways.find((w) => w.pitch === p && w.id.startsWith(string))?.id.split('.')[1]);
  const major = [60, 62, 64, 65, 67, 69, 71, 72];
  expect(on('middle', major)).toEqual(['3', '4', '5', '6', '7', '8', '9', '10']);
  expect(on('bass', major)[0]).toBe('7');
});

test('frets are names: 6 and 6½ stay apart in every dialect, typed as ½, .5 or 1/2', () => {
  const instrument = open('g2-d3-g3');
  for (const typed of ['mel 6½', 'mel 6.5', 'Mel 61/2'])
    expect(expectOk(instrument.parseTab(typed, 'strings')).id).toBe('melody.6½');
  expect(expectOk(instrument.parseTab('mel 6', 'strings')).id).toBe('melody.6');
  expect(expectOk(instrument.parseTab('--6½', 'columns')).id).toBe('melody.6½');
  expect(instrument.parseTab('mel 18', 'strings').ok).toBe(false);
});

test('the noter school stays on the melody string and uses the noter; fingers are assigned else', () => {
  const line = [62, 64, 66, 67];
  const route = (preset: string) =>
    routeOf(open('d3-a3-d4'), line, { preset, weights: {}, playingOptions: {} }).notes;
  expect(route('noter').map((n) => n.fingering)).toEqual([undefined, 'n', 'n', 'n']);
  expect(route('melody').map((n) => n.fingering)).toEqual([undefined, 'r', 'm', 'i']);
});

test('a note that only half a fret would give names it, before a string that is not to be left', () => {
  const lacking = (preset: string, preference: string, pitch: number) =>
    routeOf(open(preset), [pitch], {
      preset: preference,
      weights: {},
      playingOptions: {},
    }).notes[0]!.missing?.text;
  // C5 over A3 is 15 semitones: fret 8½; the bass string has it on 13.
  expect(lacking('d3-a3-a3', 'noter', 72)).toBe('needs fret 8½');
  // With the frets there it lies on 8½ of a melody string in D.
  expect(lacking('d-a-d-extra', 'noter', 77)).toBeUndefined();
  // A♯3 lies under D4, between the open string A3 and its fret 1.
  expect(lacking('d3-a3-d4', 'across', 58)).toBe('no fret gives it');
  // F4 over D4 is fret 1½, and no other string has it.
  expect(lacking('d3-a3-d4', 'across', 65)).toBe('needs fret 1½');
});

test('picking goes out on even pulses and in on odd ones, or all out', () => {
  const line = [62, 64, 66, 67];
  const remarks = routeOf(open('d3-a3-d4'), line, {
    preset: 'melody',
    weights: {},
    playingOptions: {},
  }).remarks();
  expect(remarks.filter((r) => r.routine).map((r) => r.mark)).toEqual(['out', 'in', 'out', 'in']);
});

test('a capo moves home and takes the frets below it away', () => {
  const instrument = open('d3-a3-d4', { capo: '3' });
  expect(instrument.ways.filter((w) => w.id === 'melody.0').map((w) => w.pitch)).toEqual([67]);
  expect(instrument.ways.some((w) => w.id === 'melody.2')).toBe(false);
  expect(instrument.facts(keyIn('G'))[0]).toContain('fret 3');
});

test.each([
  ['d3-a3-d4', 'D', 'major', 'lies whole from the open melody string'],
  // Without the half fret the seventh is flat.
  ['d-a-d-plain', 'D', 'major', 'from the open melody string it lacks 7'],
  ['d-a-d-plain', 'D', 'mixolydian', 'lies whole from the open melody string'],
  ['d3-a3-a3', 'D', 'major', 'lies whole from fret 3 of the melody string'],
  ['d3-a3-d4', 'E', 'natural-minor', 'lies whole from fret 1 of the melody string'],
  ['d3-a3-d4', 'E', 'major', 'from fret 1 of the melody string it lacks 3 7'],
  ['d3-a3-d4', 'Eb', 'major', 'home is between the frets of the melody string'],
])('in %s %s %s %s', (preset, tonic, scale, told) => {
  const key = keyIn(tonic, scale);
  expect(open(preset).facts(key)[0]).toBe(told);
});

test('with a capo the frets are counted from it', () => {
  const instrument = open('d3-a3-d4', { capo: '4' });
  expect(instrument.facts(keyIn('A', 'dorian'))[0]).toBe('lies whole from fret 4 of the melody string');
});

test('the modes by the fret where they begin, and the tuning that puts home on the bass', () => {
  const [, modes] = open('d3-a3-d4').tables(keyIn('D'));
  expect(modes!.rows.map(({ cells }) => cells)).toEqual([
    ['0', 'Mixolydian', 'D A D', 'major'],
    ['1', 'natural minor', 'D A C', 'Dorian'],
    ['2', 'Locrian', 'D A B♭', 'Phrygian'],
    ['3', 'major', 'D A A', 'Lydian'],
    ['4', 'Dorian', 'D A G', 'Mixolydian'],
    ['5', 'Phrygian', 'D A F', 'natural minor'],
    ['6', 'Lydian', 'D A E', ''],
  ]);
  expect(modes!.rows[3]!.wayIds).toEqual(['melody.3']);
  const [, plain] = open('d-a-d-plain').tables(keyIn('D'));
  expect(plain!.columns).toEqual(['fret', 'mode', 'tuned']);
  const [, inC] = open('c3-g3-c4').tables(keyIn('C'));
  expect(inC!.rows.map(({ cells }) => cells[2]).slice(0, 4)).toEqual(['C G C', 'C G B♭', 'C G A♭', 'C G G']);
});

test('the finger that plays 6½ slides on to 7, and says so', () => {
  const { notes, remarks } = routeOf(open('c3-g3-c4'), [67, 69, 71, 72], {
    preset: 'melody-string',
    weights: {},
    playingOptions: {},
  });
  expect(notes.map((n) => n.way?.id)).toEqual(['melody.4', 'melody.5', 'melody.6½', 'melody.7']);
  expect(notes[3]!.fingering).toBe(notes[2]!.fingering);
  expect(remarks().filter((remark) => !remark.routine)).toEqual([
    { noteId: '72.1', mark: 'sl', text: 'Slide the finger on to fret 7.' },
  ]);
});

test.each([
  ['bass-string', 'bass'],
  ['middle-string', 'middle'],
  ['melody-string', 'melody'],
  // A tune on top leaves the other strings for its chords.
  ['chord', 'melody'],
])('%s plays a tune on the %s string', (preset, string) => {
  const { notes } = routeOf(open('c3-g3-c4'), [62, 64, 65, 67, 69, 71, 72], {
    preset,
    weights: {},
    playingOptions: {},
  });
  const strings = notes.flatMap((n) => (n.way ? [n.way.id.split('.')[0]] : []));
  expect(new Set(strings)).toEqual(new Set([string]));
});

test('open strings that clash with the scale are told', () => {
  const cells = (tonic: string) =>
    open('d3-a3-d4')
      .tables(keyIn(tonic))[0]!
      .rows.map((row) => row.cells[2]);
  expect(cells('D')).toEqual(['home', 'the fifth', 'home']);
  expect(cells('Bb')[0]).toBe('in the scale');
  expect(cells('Eb')[1]).toContain('clashes');
});

test('what must be done for another tuning is said string by string', () => {
  const tuning = open('d3-a3-d4').options.find((o) => o.id === 'tuning')!;
  expect(tuning.retune!('D3 A3 A3')).toEqual({
    words: 'tune the melody string down 5 semitones',
    parts: 1,
    semitones: 5,
  });
  expect(tuning.retune!('C3 G3 C4')!.words).toMatch(
    /bass string down a tone.*middle string down a tone.*melody string down a tone/,
  );
});

test.each([
  [
    {
      frets: [
        { name: '1', semitones: 4 },
        { name: '2', semitones: 2 },
      ],
    },
    'layout.frets.2',
  ],
  [
    {
      frets: [
        { name: '1', semitones: 2 },
        { name: '1', semitones: 3 },
      ],
    },
    'layout.frets.1',
  ],
  [{ frets: [] }, 'layout.frets'],
  [{ frets: [{ name: '6 and a bit', semitones: 2 }] }, 'layout.frets.1'],
  [{ strings: { bass: 3, middle: 57, melody: 62 } }, 'layout.strings.bass'],
  [{ capo: '6½½' }, 'layout.capo'],
])('a layout with %j is refused at %s', (layout, field) => {
  const spec = specFromPreset('dulcimer', 'd3-a3-d4');
  const result = openInstrument({ ...spec, layout: { ...(spec.layout as object), ...layout } });
  expect(result.ok ? [] : result.problems.map((p) => p.field)).toContain(field);
});
