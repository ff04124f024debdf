import { openInstrument, specFromPreset, type Instrument } from '../../instrument/instrument.ts';
import { expectOk } from '../../result.ts';
import type { CustomLayout } from './layout.ts';

const open = (preset: string, layout: object = {}): Instrument => {
  const spec = specFromPreset('custom', preset);
  return expectOk(openInstrument({ ...spec, layout: { ...(spec.layout as object), ...layout } }));
};

test('from one pitch to sixty: new ones get names and places of their own', () => {
  let instrument = open('one');
  for (const count of [2, 9, 33, 60]) {
    instrument = open('one', instrument.withOption('count', String(count)) as object);
    expect(new Set(instrument.ways.map((w) => w.words)).size).toBe(count);
  }
  const fewer = open('one', instrument.withOption('count', '3') as object);
  expect(fewer.ways.map((w) => w.id)).toEqual(['p1', 'p2', 'p3']);
});

test('a pitch gets a name and a place, and is found by its name in tab', () => {
  const moved = open('bells-8').withElement('spots.3', { values: { name: 'Möwe', x: 200, y: 90 } });
  const instrument = open('bells-8', moved as object);
  expect(expectOk(instrument.parseTab('möwe', 'names')).id).toBe('p3');
  expect(instrument.parseTab('Tern', 'names')).toMatchObject({ ok: false, problems: [{ position: 0 }] });
});

test('two rows of bars are chromatic over an octave', () => {
  const pitches = open('bars-13')
    .ways.map((w) => w.pitch)
    .sort((a, b) => a - b);
  expect(pitches).toEqual(Array.from({ length: 13 }, (_, i) => 60 + i));
});

test('what lies on another, has its name or lies outside is refused at its field', () => {
  const { layout } = specFromPreset('custom', 'bells-8') as { layout: CustomLayout };
  const change = (index: number, part: object) => ({
    ...layout,
    spots: layout.spots.map((spot, i) => (i === index ? { ...spot, ...part } : spot)),
  });
  const refused = (changed: object) => {
    const result = openInstrument({ ...specFromPreset('custom', 'bells-8'), layout: changed });
    return result.ok ? [] : result.problems.map((p) => p.field);
  };
  expect(refused(change(4, { x: layout.spots[3]!.x + 5, y: layout.spots[3]!.y + 2 }))).toEqual([
    'layout.spots.5',
  ]);
  expect(refused(change(4, { name: '2' }))).toEqual(['layout.spots.5']);
  expect(refused(change(4, { x: 900 }))).toEqual(['layout.spots.5']);
  expect(refused(change(4, { pitch: 60.5 }))).toEqual(['layout.spots.5']);
  expect(refused({ ...layout, spots: [] })).toEqual(['layout.spots']);
  expect(refused({ ...layout, what: '' })).toEqual(['layout.what']);
});
