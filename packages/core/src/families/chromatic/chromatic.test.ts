import { lineFromLowest, routeOf } from '../../../test/instruments.ts';
import { openInstrument, specFromPreset, type Instrument } from '../../instrument/instrument.ts';
import { parseNote } from '../../pitch/noteName.ts';
import { expectOk } from '../../result.ts';
import { keyOf, scaleById } from '../../scale/scale.ts';

const open = (preset: string, layout: object = {}): Instrument => {
  const spec = specFromPreset('chromatic', preset);
  return expectOk(openInstrument({ ...spec, layout: { ...(spec.layout as object), ...layout } }));
};

/** Turns of breath alone count. */
const TURNS_ONLY = {
  preset: 'even',
  weights: { turns: 1, slides: 0, jumps: 0, slid: 0, habit: 0 },
  playingOptions: {},
};

function turns(instrument: Instrument, tonic: string, scale: string): number {
  const key = keyOf(expectOk(scaleById(scale)), expectOk(parseNote(tonic)));
  const compass = instrument.ways.map((w) => w.pitch);
  const line = lineFromLowest(key, compass);
  return routeOf(instrument, line, TURNS_ONLY).effort.total;
}

test.each([
  ['C', 3],
  ['Db', 4],
  ['D', 6],
  ['Eb', 2],
  ['E', 6],
  ['F', 2],
  ['Gb', 4],
  ['G', 4],
  ['Ab', 4],
  ['A', 6],
  ['Bb', 2],
  ['B', 6],
])('the %s major scale over an octave takes %d turns at least', (tonic, fewest) => {
  expect(turns(open('60-12'), tonic, 'major')).toBe(fewest);
});

test('a key is not hard as such: E minor pentatonic takes 2 turns where E major takes 6', () => {
  expect(turns(open('60-12'), 'E', 'minor-pentatonic')).toBe(2);
});

test('the figures move with the key of the instrument', () => {
  expect(turns(open('58-12'), 'Bb', 'major')).toBe(3);
  expect(turns(open('58-12'), 'D', 'minor-pentatonic')).toBe(2);
  expect(turns(open('66-12'), 'A', 'major')).toBe(2);
});

test('home has four ways and the fourth two, on an A♭ instrument', () => {
  const { ways } = open('56-12');
  const words = (pitch: number) => ways.filter((w) => w.pitch === pitch).map((w) => w.words);
  expect(words(56 + 12)).toEqual(['4 blow', '4 draw, slide in', '5 blow']);
  expect(words(56 + 5)).toEqual(['2 blow, slide in', '2 draw']);
});

test.each([
  ['60-10', 60, 10],
  ['60-12', 60, 12],
  ['60-14', 55, 14],
  ['60-16', 48, 16],
])('%s begins at %d and is chromatic to its top', (preset, lowest, holes) => {
  const { ways } = open(preset, { topRaised: false });
  const pitches = [...new Set(ways.map((w) => w.pitch))].sort((a, b) => a - b);
  expect(pitches[0]).toBe(lowest);
  expect(Math.max(...ways.map((w) => Number(w.place)))).toBe(holes);
  expect(pitches).toEqual(Array.from({ length: pitches.at(-1)! - lowest + 1 }, (_, i) => lowest + i));
});

test('the last draw with slide of twelve holes sounds two above the top blow, or its regular note', () => {
  const top = (raised: string) => {
    const layout = open('60-12').withOption('topRaised', raised) as object;
    return open('60-12', layout).ways.find((w) => w.id === '12ds')!.pitch;
  };
  expect(top('true')).toBe(98);
  expect(top('false')).toBe(96);
});

test('schools: open notes leave the slide out where they can, few slide moves keep it still', () => {
  const instrument = open('60-12');
  const key = keyOf(expectOk(scaleById('major')), expectOk(parseNote('F')));
  const compass = instrument.ways.map((w) => w.pitch);
  const line = lineFromLowest(key, compass, 2, 'both');
  const part = (preset: string, id: string) =>
    routeOf(instrument, line, { preset, weights: {}, playingOptions: {} }).effort.terms.find(
      (p) => p.id === id,
    )!.count;
  expect(part('open', 'slid')).toBeLessThan(part('turns', 'slid'));
  expect(part('slides', 'slides')).toBeLessThanOrEqual(part('even', 'slides'));
  expect(part('turns', 'turns')).toBeLessThan(part('open', 'turns'));
});

test('the plain scale uses no slide; home lies on the upper hole where the line goes on, on the lower where it ends', () => {
  const instrument = open('60-12');
  const key = keyOf(expectOk(scaleById('major')), expectOk(parseNote('C')));
  const compass = instrument.ways.map((way) => way.pitch);
  const ids = (octaves: number) =>
    routeOf(instrument, lineFromLowest(key, compass, octaves)).notes.map((note) => note.way!.id);
  expect(ids(1).join(' ')).toBe('1b 1d 2b 2d 3b 3d 4d 4b');
  expect(ids(2).join(' ')).toBe('1b 1d 2b 2d 3b 3d 4d 5b 5d 6b 6d 7b 7d 8d 8b');
});
