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
