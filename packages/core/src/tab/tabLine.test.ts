import { ableInstrument } from '../../test/instruments.ts';
import { families, FAMILY_IDS } from '../families/index.ts';
import type { Instrument } from '../instrument/instrument.ts';
import { expectOk } from '../result.ts';
import { readTabLine, writeTabLine, type TabItem } from './tabLine.ts';

/** Every way of an instrument with bar lines, rests and a missing note in between. */
function everything(instrument: Instrument): TabItem[] {
  return instrument.ways.flatMap((way, i): TabItem[] => [
    ...(i % 5 === 2 ? [{ kind: 'touched', way } as const] : []),
    { kind: 'way', way },
    ...(i % 4 === 3 ? [{ kind: 'rest' } as const, { kind: 'bar' } as const] : []),
    ...(i % 7 === 6 ? [{ kind: 'missing', pitch: 13 + i } as const] : []),
  ]);
}

const told = (items: readonly TabItem[]) =>
  items.map((item) =>
    item.kind === 'way'
      ? item.way.id
      : item.kind === 'touched'
        ? `{${item.way.id}}`
        : item.kind === 'missing'
          ? item.pitch
          : item.kind,
  );

describe.each(FAMILY_IDS)('%s', (id) => {
  const { dialects, presets } = families[id];

  test.each(dialects.map((d) => [d.id, d.separator]))(
    'a line in %s is read back as it was',
    (dialect, separator) => {
      const instrument = ableInstrument(id, presets[0]!.id);
      const items = everything(instrument);
      const written = writeTabLine(instrument, items, dialect);
      expect(told(expectOk(readTabLine(instrument, written, dialect)))).toEqual(told(items));
      // As a pupil would type it: one space, or none after a comma, and on several lines.
      const typed = written
        .replaceAll(separator, separator.trim() === ',' ? ',' : separator.trim() || ' ')
        .replaceAll(' | ', ' |\n');
      const read = readTabLine(instrument, typed, dialect);
      expect(told(expectOk(read))).toEqual(told(items));
    },
  );
});

test.each([
  ['words', '4 blow, 14 draw, 5 blow', 8],
  ['arrows', '4↑  14↓', 4],
  ['signs', '+4 -4 | x', 8],
])('in %s the mistake of “%s” is named at character %i', (dialect, text, position) => {
  const result = readTabLine(ableInstrument('diatonic', '60'), text, dialect);
  expect(result.ok).toBe(false);
  if (!result.ok) expect(result.problems[0]!.position).toBe(position);
});

test('a note is read by any of its names, but two strings of one sound are kept apart', () => {
  const english = ableInstrument('english', 'treble');
  const read = (text: string) => told(expectOk(readTabLine(english, text, 'notes')));
  expect(read('L G♯4 (1.2), R A♭4 (1.3)')).toEqual(['L1.2', 'R1.3']);
  expect(read('L A♭4 (1.2), R G♯4 (1.3)')).toEqual(['L1.2', 'R1.3']);
  const harp = ableInstrument('harp', 'c-34');
  const strings = told(expectOk(readTabLine(harp, 'E♯4 F4', 'notes')));
  expect(new Set(strings).size).toBe(2);
});

test('an empty line is no line but no mistake', () => {
  expect(readTabLine(ableInstrument('whistle', '74'), ' \n', 'circles')).toEqual({ ok: true, value: [] });
});

test.each([
  [
    'diatonic',
    '60',
    'signs',
    '-123 | +134',
    ['1d', 'with', '2d', 'with', '3d', 'bar', '1b', 'with', '3b', 'with', '4b'],
  ],
  ['diatonic', '60', 'arrows', '123↓ 10↑', ['1d', 'with', '2d', 'with', '3d', '10b']],
  ['chromatic', '60-12', 'signs', '-12 -123', ['12d', '1d', 'with', '2d', 'with', '3d']],
  ['dulcimer', 'd3-a3-d4', 'strings', '0-0-2', ['bass.0', 'with', 'middle.0', 'with', 'melody.2']],
  [
    'dulcimer',
    'd3-a3-d4',
    'columns',
    '4-4-6+  x-3-5',
    ['bass.4', 'with', 'middle.4', 'with', 'melody.6½', 'middle.3', 'with', 'melody.5'],
  ],
] as const)('%s %s, %s: chords as players type them, %s', (id, preset, dialect, text, ids) => {
  expect(told(expectOk(readTabLine(ableInstrument(id, preset), text, dialect)))).toEqual(ids);
});

// What cannot sound together is refused where it is typed, in the family's own words.
test.each([
  [
    'anglo',
    'C-G-sharp-on-push',
    'short',
    'L m4 push, L m3 push + L m2 pull',
    11,
    'The bellows cannot push and pull at once.',
  ],
  ['dulcimer', 'd3-a3-d4', 'strings', 'mel 2 + mel 3', 0, 'The melody string sounds one note at a time.'],
  [
    'dulcimer',
    'd3-a3-d4',
    'strings',
    'mel 0, 3-3-8',
    7,
    'Frets 3 and 8 are too far apart for these fingers.',
  ],
  ['diatonic', '60', 'signs', '+4 + -4', 0, 'One breath cannot blow and draw.'],
] as const)('%s %s, %s: “%s” is refused at character %i', (id, preset, dialect, text, position, message) => {
  const known = families[id].dialects.some((d) => d.id === dialect) ? dialect : families[id].dialects[1]!.id;
  const read = readTabLine(ableInstrument(id, preset), text, known);
  expect(read.ok ? [] : read.problems.map((p) => [p.position, p.message])).toEqual([[position, message]]);
});

describe('chords are written as players write them, and read again', () => {
  test.each([
    ['diatonic', '60', 'signs', ['1d', '2d', '3d'], '−123'],
    ['diatonic', '60', 'signs', ['1b', '3b', '4b'], '+134'],
    ['diatonic', '60', 'arrows', ['1d', '2d', '3d'], '123↓'],
    ['diatonic', '60', 'letters', ['1b', '2b', '3b', '4b'], '1234b'],
    ['diatonic', '60', 'words', ['1d', '4d'], '1 4 draw'],
    // Two figures might be one hole.
    ['diatonic', '60', 'signs', ['1d', '4d'], '−1 + −4'],
    ['diatonic', '60', 'signs', ['8b', '9b', '10b'], '+8 + +9 + +10'],
    ['chromatic', '60-12', 'signs', ['1b', '2b', '3b'], '+123'],
    ['dulcimer', 'd3-a3-d4', 'strings', ['bass.3', 'middle.3', 'melody.4'], '3-3-4'],
    ['dulcimer', 'd3-a3-d4', 'strings', ['middle.6½', 'melody.4'], 'mid 6½ + mel 4'],
    ['dulcimer', 'd3-a3-d4', 'columns', ['middle.6½', 'melody.4'], 'x-6½-4'],
  ] as const)('%s %s in %s: %j', (family, preset, dialect, ids, text) => {
    const instrument = ableInstrument(family, preset);
    const ways = ids.map((id) => instrument.ways.find((way) => way.id === id)!);
    const items = ways.flatMap((way, i): TabItem[] => [
      ...(i > 0 ? [{ kind: 'with' } as const] : []),
      { kind: 'way', way },
    ]);
    const line = [...items, { kind: 'bar' } as const, ...items];
    const written = writeTabLine(instrument, line, dialect);
    expect(written).toBe(`${text} | ${text}`);
    expect(expectOk(readTabLine(instrument, written, dialect))).toEqual(line);
  });
});
