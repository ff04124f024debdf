import { prefer, routeOf, wayIds } from '../../../test/instruments.ts';
import { expectOk } from '../../result.ts';
import { parsePitch } from '../../pitch/noteName.ts';
import { openInstrument, specFromPreset, type Instrument } from '../../instrument/instrument.ts';
import { UNHURRIED } from '../../time/noteTiming.ts';
import { layoutOf } from './layout.ts';
import { positionOf } from '../kernel/position.ts';
import { TUNING_IDS, TUNINGS, type TuningId } from './tables.ts';

const pitch = (text: string) => expectOk(parsePitch(text));

function harmonica(
  root: string,
  tuning: TuningId = 'richter',
  capability: Record<string, string[]> = {},
): Instrument {
  return expectOk(
    openInstrument({
      family: 'diatonic',
      name: 'x',
      layout: layoutOf(pitch(root), tuning),
      capability,
      a4: 440,
      notes: '',
    }),
  );
}

const sounds = (instrument: Instrument, id: string) => instrument.ways.find((way) => way.id === id)?.pitch;

test('a B♭ harmonica in standard tuning, hole by hole as its player knows it', () => {
  const bflat = harmonica('Bb3');
  const expected: Record<string, string> = {
    '1b': 'Bb3',
    '1d': 'C4',
    '1d1': 'B3',
    '1bo': 'Db4',
    '2b': 'D4',
    '2d': 'F4',
    '2d1': 'E4',
    '2d2': 'Eb4',
    '2bo': 'Gb4',
    '3b': 'F4',
    '3d': 'A4',
    '3d1': 'Ab4',
    '3d2': 'G4',
    '3d3': 'Gb4',
    '3bo': 'Bb4',
    '4b': 'Bb4',
    '4d': 'C5',
    '4d1': 'B4',
    '4bo': 'Db5',
    '5b': 'D5',
    '5d': 'Eb5',
    '5bo': 'E5',
    '6b': 'F5',
    '6d': 'G5',
    '6d1': 'Gb5',
    '6bo': 'Ab5',
    '7b': 'Bb5',
    '7d': 'A5',
    '7do': 'B5',
    '8b': 'D6',
    '8d': 'C6',
    '8b1': 'Db6',
    '8do': 'Eb6',
    '9b': 'F6',
    '9d': 'Eb6',
    '9b1': 'E6',
    '9do': 'Gb6',
    '10b': 'Bb6',
    '10d': 'G6',
    '10b1': 'A6',
    '10b2': 'Ab6',
    '10do': 'B6',
  };
  expect(Object.fromEntries(bflat.ways.map((way) => [way.id, way.pitch]))).toEqual(
    Object.fromEntries(Object.entries(expected).map(([id, text]) => [id, pitch(text)])),
  );
});

test('holes whose reeds are a semitone apart only dip; they add no way', () => {
  expect(harmonica('D4').marks.map((m) => m.words)).toEqual([
    '5 draw dips by less than a semitone',
    '7 blow dips by less than a semitone',
  ]);
});

test('over-notes that repeat an easier note are duplicates: 2 and 3 overblow, 8 overdraw', () => {
  const all = harmonica('F4');
  const duplicates = all.ways.filter((way) => way.redundantTo).map((way) => [way.id, way.redundantTo]);
  expect(duplicates).toEqual([
    ['2bo', '3d3'],
    ['3bo', '4b'],
    ['8do', '9d'],
  ]);
});

test.each([
  ['third-raised', { '3b': 'A4', '3d': 'B4', '3d1': 'Bb4' }],
  ['country', { '5d': 'Gb5', '5d1': 'F5' }],
  ['natural-minor', { '2b': 'Eb4', '3d': 'Bb4', '5b': 'Eb5', '7d': 'Bb5', '8b': 'Eb6', '7b1': 'B5' }],
  ['harmonic-minor', { '2b': 'Eb4', '6d': 'Ab5', '10d': 'Ab6', '8b': 'Eb6' }],
] as const)('the %s tuning moves the reeds it says, and their bends', (tuning, expected) => {
  const instrument = harmonica('C4', tuning);
  for (const [id, text] of Object.entries(expected))
    expect([id, sounds(instrument, id)]).toEqual([id, pitch(text)]);
});

test('transposing the instrument transposes every way, in every tuning', () => {
  for (const tuning of TUNING_IDS) {
    const low = harmonica('Eb3', tuning).ways;
    const high = harmonica('G4', tuning).ways;
    expect(high.map((w) => [w.id, w.pitch - 16])).toEqual(low.map((w) => [w.id, w.pitch]));
  }
});

test('presets: twelve usual keys from G3 to F♯4, twelve low, six high', () => {
  const names = ['55', '66', '43', '72'].map((id) => specFromPreset('diatonic', id).name);
  expect(names).toEqual(['G harmonica', 'F♯ harmonica', 'low G harmonica', 'high C harmonica']);
});

test('every position of every key by walking round the circle', () => {
  for (let root = 55; root < 67; root += 1) {
    let tonic = root % 12;
    for (let position = 1; position <= 12; position += 1) {
      expect(positionOf(root, tonic)).toBe(position);
      tonic = (tonic + 7) % 12;
    }
  }
});

test('out of the box no over-note is allowed; capability opens single holes', () => {
  expect(harmonica('A3').ways.filter((w) => w.able && w.technique.startsWith('over'))).toEqual([]);
  const able = harmonica('A3', 'richter', { overblow: ['5', '6'], 'draw-bend': ['2'] }).ways.filter(
    (w) => w.able,
  );
  expect(able.filter((w) => w.technique !== 'plain').map((w) => w.id)).toEqual([
    '2d1',
    '2d2',
    '5bo',
    '6bo',
    '8b1',
    '9b1',
    '10b1',
    '10b2',
  ]);
});

describe('difficulty', () => {
  const load = (root: string, id: string) => {
    const instrument = harmonica(root);
    const way = instrument.ways.find((w) => w.id === id)!;
    const at = { layout: instrument.layout, options: {}, timing: UNHURRIED, carried: '' };
    const hard = ['bends', 'middles', 'highs', 'overs'];
    return instrument.terms
      .filter((term) => hard.includes(term.id))
      .reduce((sum, term) => sum + term.onWay!({ way, fingering: undefined }, at), 0);
  };

  test('rises in the order teachers give, the middle of hole 3 being the hardest draw bend', () => {
    const order = ['4b', '4d1', '2d2', '2d1', '3d2', '8b1', '6bo', '9do'].map((id) => load('C4', id));
    expect(order).toEqual([...order].sort((a, b) => a - b));
    expect(new Set(order).size).toBe(order.length);
  });

  test('high bends get harder the higher the key, low bends slower the lower', () => {
    expect(load('G3', '9b1')).toBe(load('A3', '9b1'));
    expect(load('C4', '9b1')).toBeGreaterThan(load('A3', '9b1'));
    expect(load('F4', '9b1')).toBeGreaterThan(load('C4', '9b1'));
    expect(load('Eb3', '3d2')).toBeGreaterThan(load('G3', '3d2'));
  });
});

describe('tab', () => {
  const aflat = harmonica('Ab3');
  const read = (text: string, dialect = 'words') => aflat.parseTab(text, dialect);

  test('in every dialect', () => {
    const ways = ['4d', '3d2', '10b1', '6bo'].map((id) => aflat.ways.find((w) => w.id === id)!);
    const written = (dialect: string) => ways.map((way) => aflat.tab(way, dialect));
    expect(written('words')).toEqual(['4 draw', '3 draw ″', '10 blow ′', '6 overblow']);
    expect(written('arrows')).toEqual(['4↓', '3↓″', '10↑′', '6↑°']);
    expect(written('signs')).toEqual(['−4', '−3″', '+10′', '+6°']);
    expect(written('letters')).toEqual(['4d', '3d″', '10b′', '6b°']);
    expect(written('letters-named')).toEqual(['4d', '3dF', '10bG', '6b°']);
  });

  test.each([
    ["-3''", '3d2'],
    ['-3"', '3d2'],
    ['  4 draw ', '4d'],
    ['3 draw bent 2', '3d2'],
    ['6 overblow', '6bo'],
    ['7do', '7do'],
    ['3d F', '3d2'],
    ['3dE#', '3d2'],
  ])('as typed: %s', (text, id) => {
    expect(expectOk(read(text)).id).toBe(id);
  });

  test.each([
    ['', 0, '1 to 10'],
    ['11d', 0, '1 to 10'],
    ['-0', 1, '1 to 10'],
    ['4', 1, 'blow or draw'],
    ['4d″', 2, 'Hole 4 has: 4 draw, 4 draw bent 1'],
    ['5 draw x', 7, 'not on this harmonica'],
    ['x4', 0, '1 to 10'],
  ])('%p is refused at %d', (text, position, message) => {
    expect(read(text)).toMatchObject({
      ok: false,
      problems: [{ position, message: expect.stringContaining(message) }],
    });
  });

  test('a bare number is a blow note only where signs are written', () => {
    expect(expectOk(read('4', 'signs')).id).toBe('4b');
    expect(read('4', 'letters').ok).toBe(false);
  });
});

describe('bad layouts name their reed', () => {
  const { blow, draw } = TUNINGS.richter;
  const open = (changes: object) =>
    openInstrument({
      family: 'diatonic',
      name: 'x',
      layout: { root: 60, tuning: 'richter', blow, draw, ...changes },
    });

  test.each([
    ['out of order', { draw: draw.with(4, 3) }, 'layout.draw.5', 'lower than hole 4 draw'],
    ['out of range', { blow: blow.with(9, 99) }, 'layout.blow.10', 'out of range'],
    ['not a number', { blow: [...blow.slice(0, 9), 'A'] }, 'layout.blow.10', 'whole number'],
    ['too few', { blow: blow.slice(1) }, 'layout.blow', '10 blow reeds'],
    ['unknown tuning', { tuning: 'mine' }, 'layout.tuning', 'no tuning'],
    ['key too low', { root: 20 }, 'layout.root', 'from low G to high C'],
  ])('%s', (_, changes, field, message) => {
    const result = open(changes);
    expect(result.ok).toBe(false);
    if (!result.ok)
      expect(result.problems).toContainEqual(
        expect.objectContaining({ field, message: expect.stringContaining(message) }),
      );
  });
});

test.each([
  ['C5 G4 C5 G4 C5 G4 C5', '4b 3b 4b 3b 4b 3b 4b'],
  ['C5 G4 C5 G4 C5 G4', '4b 3b 4b 3b 4b 3b'],
  ['C4 E4 G4 C5', '1b 2b 3b 4b'],
  ['E4 G4', '2b 2d'],
  // Among drawn notes the full one costs no turn.
  ['D4 G4 B4', '1d 2d 3d'],
])('under the best tone %s stays in one breath: %s', (names, ways) => {
  const instrument = harmonica('C4');
  const pitches = names.split(' ').map(pitch);
  expect(wayIds(routeOf(instrument, pitches, prefer('diatonic', 'tone'))).join(' ')).toBe(ways);
});
