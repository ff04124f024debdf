import { measuredAt, routeOf } from '../../../test/instruments.ts';
import { openInstrument, specFromPreset, type Instrument } from '../../instrument/instrument.ts';
import { noteText } from '../../pitch/noteName.ts';
import { pitchClass } from '../../pitch/pitch.ts';
import { expectOk } from '../../result.ts';
import { evenLine } from '../../route/line.ts';
import { keyOf, scaleById, USUAL_KEYS } from '../../scale/scale.ts';
import { QUARTER } from '../../time/ticks.ts';

const open = (preset: string, more: object = {}, layout: object = {}): Instrument => {
  const spec = specFromPreset('whistle', preset);
  return expectOk(openInstrument({ ...spec, ...more, layout: { ...(spec.layout as object), ...layout } }));
};
const line = (pitches: readonly number[], beats = 1) => evenLine(pitches, beats * QUARTER);
const prefer = (preset: string) => ({ preset, weights: {}, playingOptions: {} });
const ids = (instrument: Instrument, pitches: readonly number[], preset = 'even', beats = 1) =>
  routeOf(instrument, line(pitches, beats), prefer(preset)).notes.map((n) => n.way?.id);

/** Major keys whose every note within two octaves can be had without a half-hole. */
function keysWithoutHalves(instrument: Instrument, allowed = 0): string[] {
  const sure = new Set(instrument.ways.filter((w) => w.technique !== 'half').map((w) => pitchClass(w.pitch)));
  return USUAL_KEYS.filter((tonic) => {
    const { home, scale } = keyOf(expectOk(scaleById('major')), tonic);
    return scale.semitones.filter((s) => !sure.has(pitchClass(home + s))).length <= allowed;
  }).map(noteText);
}

/** A whistle without the cross-fingered alternates that not every maker's instrument has. */
const PLAIN = { capability: { cross: ['oxxooo', 'oxxxoo', 'oxxxxo'] } };

test.each([
  ['75', ['E♭', 'A♭']],
  ['70', ['E♭', 'B♭']],
  ['67', ['C', 'G']],
])('whistle %s has two major keys without half-holes: its own and a fourth up', (preset, keys) => {
  const able = (i: Instrument) => ({ ...i, ways: i.ways.filter((w) => w.able) });
  expect(keysWithoutHalves(able(open(preset, PLAIN))).sort()).toEqual([...keys].sort());
});

test('a major key a fifth up needs one note of half-hole', () => {
  const instrument = open('70', PLAIN);
  const able = { ...instrument, ways: instrument.ways.filter((w) => w.able) };
  expect(keysWithoutHalves(able, 0)).not.toContain('F');
  expect(keysWithoutHalves(able, 1)).toContain('F');
});

test('fingerings rise hole by hole, on an E♭ whistle', () => {
  const scale = [75, 77, 79, 80, 82, 84, 86];
  expect(ids(open('75'), scale)).toEqual([
    'xxxxxx',
    'xxxxxo',
    'xxxxoo',
    'xxxooo',
    'xxoooo',
    'xooooo',
    'oooooo',
  ]);
});

test('the note ten semitones up follows the bore, a measurement outweighs it, and a choice outweighs both', () => {
  const ten = (instrument: Instrument) => ids(instrument, [70 + 9, 70 + 10, 70 + 9])[1];
  expect(ten(open('70', {}, { bore: 'conical' }))).toBe('oxxooo');
  expect(ten(open('70', {}, { bore: 'cylindrical' }))).toBe('oxxxoo');
  const measured = measuredAt(80, { oxxooo: 38, oxxxoo: 2, oxxxxo: 12, hooooo: -30 });
  expect(ten(open('70', { measured }, { bore: 'conical' }))).toBe('oxxxoo');
  expect(ten(open('70', { measured, choices: ['oxxxxo'] }, { bore: 'conical' }))).toBe('oxxxxo');
});

test('a line keeps one fingering for the tenth semitone, in both registers', () => {
  // From 9 and from 11 each takes another one by itself.
  const tenths = (pitches: readonly number[]) =>
    ids(open('70', {}, { bore: 'cylindrical' }), pitches).filter((_, i) => pitches[i]! % 12 === 80 % 12);
  const alone = [
    [79, 80, 79],
    [70, 80, 70],
    [81, 80, 81],
  ].map((pitches) => tenths(pitches)[0]);
  const together = tenths([79, 80, 79, 70, 80, 70, 81, 80, 81, 79, 80]);
  expect(new Set(together).size).toBe(1);
  expect(alone).toContain(together[0]);
  const both = tenths([79, 80, 91, 92, 91, 79, 80, 92, 80]);
  expect(new Set(both.map((id) => id!.replace('+', ''))).size).toBe(1);
});

test('crossing the octave the top hole is open for the lowest note, staying above it all are closed', () => {
  expect(ids(open('74'), [74 + 10, 74 + 12])[1]).toBe('oxxxxx+');
  expect(ids(open('74'), [74 + 11, 74 + 12, 74 + 14])[1]).toBe('oxxxxx+');
  expect(ids(open('74'), [74 + 16, 74 + 14, 74 + 12, 74 + 14])[2]).toBe('xxxxxx+');
});

test('cross-fingerings that depend on the maker are not relied on until they are ticked', () => {
  const six = (more: object) => ids(open('74', more), [74 + 5, 74 + 6, 74 + 7])[1];
  expect(six({})).toBe('xxhooo');
  expect(six({ capability: { cross: ['xxoxxo'] } })).toBe('xxoxxo');
  const usable = open('74')
    .ways.filter((way) => way.able)
    .map((way) => way.id);
  expect(usable).not.toContain('xoxxxx');
  expect(usable).toContain('oxxooo');
});

test('the all-open note is held with the low holes covered when it is long', () => {
  const note = 74 + 11;
  expect(ids(open('74'), [83, note, 83], 'even', 0.25)[1]).toBe('oooooo');
  expect(ids(open('74'), [83, note, 83], 'even', 4)[1]).toBe('oooxxx');
});

test('above the ceiling nothing is played, and the reason is told', () => {
  const route = routeOf(open('74', {}, { ceiling: 21 }), line([74 + 21, 74 + 22, 74 + 23]), prefer('even'));
  expect(route.notes.map((n) => n.way !== undefined)).toEqual([true, false, false]);
  expect(route.notes[2]!.missing!.text).toBe(
    'needs the highest note played, now B6, to be set higher in the cabinet',
  );
});

test('a fingering that does not speak is not there; one that sounds lower is found there', () => {
  const e = open('74').withElement('retuned.xxoxxo', { pitch: 74 + 5, values: {} });
  const moved = open('74', {}, e as object);
  expect(moved.ways.find((w) => w.id === 'xxoxxo')!.pitch).toBe(79);
  const mute = open('74').withElement('retuned.xxhooo', { values: { speaks: false } });
  expect(open('74', {}, mute as object).ways.some((w) => w.id === 'xxhooo')).toBe(false);
});

test.each([
  [{ lowest: 12 }, 'layout.lowest'],
  [{ bore: 'square' }, 'layout.bore'],
  [{ ceiling: 90 }, 'layout.ceiling'],
  [{ retuned: { zzzzzz: 4 } }, 'layout.retuned.zzzzzz'],
  [{ retuned: { xxxxxo: 1.5 } }, 'layout.retuned.xxxxxo'],
  [{ mute: ['nothing'] }, 'layout.mute'],
])('a layout with %j is refused at %s', (layout, field) => {
  const spec = specFromPreset('whistle', '74');
  const result = openInstrument({ ...spec, layout: { ...(spec.layout as object), ...layout } });
  expect(result).toMatchObject({ ok: false, problems: [{ field }] });
});
