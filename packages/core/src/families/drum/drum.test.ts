import { routeOf } from '../../../test/instruments.ts';
import { openInstrument, specFromPreset, type Instrument } from '../../instrument/instrument.ts';
import { parseNote } from '../../pitch/noteName.ts';
import { expectOk } from '../../result.ts';
import { keyOf, scaleById } from '../../scale/scale.ts';
import { DRUM, layoutOf } from './layout.ts';

const open = (preset: string, layout: object = {}, more: object = {}): Instrument => {
  const spec = specFromPreset('drum', preset);
  return expectOk(openInstrument({ ...spec, ...more, layout: { ...(spec.layout as object), ...layout } }));
};
const key = keyOf(expectOk(scaleById('major')), expectOk(parseNote('C')));
const prefer = (preset: string, playingOptions = {}) => ({ preset, weights: {}, playingOptions });
const anchors = (instrument: Instrument) =>
  Object.fromEntries(instrument.tables(key)[0]!.rows.map((row) => [row.cells[0], row.cells[1]]));

test('each tongue as home makes another mode of the same set', () => {
  expect(anchors(open('c-major-8'))).toEqual({
    C: 'major',
    D: 'Dorian',
    E: 'Phrygian',
    F: 'Lydian',
    G: 'Mixolydian',
    A: 'natural minor',
    B: 'Locrian',
  });
  const five = anchors(open('e-minor-five-11'));
  expect(five['E']).toBe('minor pentatonic');
  expect(five['G']).toBe('major pentatonic');
});

test('an odd set is told by what comes nearest and what it lacks', () => {
  const rows = open('c-major-8', layoutOf([60, 62, 64, 67])).tables(key)[0]!.rows;
  expect(rows[0]!.cells.slice(0, 3)).toEqual(['C', 'major pentatonic', '6']);
  expect(rows.map((row) => row.cells[3])).toEqual(['C', 'C', 'C', 'C']);
});

test.each([7, 8, 12, 13])('%i tongues around the centre lie at equal distances along the ring', (slots) => {
  const pitches = Array.from({ length: slots + 1 }, (_, i) => 50 + i);
  const ways = open('c-major-8', layoutOf(pitches)).ways as unknown as readonly { x: number; y: number }[];
  const [centre, ...ring] = ways;
  // The ring is wider than high: seen round, neighbours are one share of the circle apart.
  const angles = ring
    .map(({ x, y }) => Math.atan2((x - centre!.x) / DRUM.stretch, y - centre!.y))
    .sort((a, b) => a - b);
  const gaps = angles.map((angle, i) => (angles[i + 1] ?? angles[0]! + 2 * Math.PI) - angle);
  for (const gap of gaps) expect(gap).toBeCloseTo((2 * Math.PI) / slots, 6);
});

test('the lowest lies in the centre, the others go up left and right of the player', () => {
  const { ways } = open('c-major-8');
  const at = ways as unknown as readonly { x: number; y: number; lies: string }[];
  expect(at.map((w) => w.lies)).toEqual([
    'middle',
    'left',
    'right',
    'left',
    'right',
    'left',
    'right',
    'middle',
  ]);
  for (let i = 3; i < at.length; i += 1) expect(at[i]!.y).toBeLessThan(at[i - 2]!.y);
});

test('hands in turn never play twice in a row; each hand on its side does not cross', () => {
  const instrument = open('bb-major-15');
  const line = instrument.ways.map((w) => w.pitch);
  const hands = routeOf(instrument, line, prefer('turns')).notes.map((n) => n.fingering);
  for (const [i, hand] of hands.entries()) if (i > 0) expect(hand).not.toBe(hands[i - 1]);
  const crossed = routeOf(instrument, line, prefer('sides')).effort.terms.find((p) => p.id === 'crossed')!;
  expect(crossed.count).toBe(0);
  const one = routeOf(instrument, line, prefer('even', { hands: 'left' })).notes.map((n) => n.fingering);
  expect(new Set(one)).toEqual(new Set(['L']));
});

test('a tongue off by cents sounds so, and its tuning goes out and comes back', () => {
  const tongues = layoutOf([60, 64, 67]).tongues.map((t, i) => ({ ...t, cents: [0, -14, 2][i]! }));
  const instrument = open('c-major-8', { tongues });
  expect(instrument.centsOf(instrument.ways[1]!)).toBe(-14);
  expect(instrument.tuning).toEqual([0, 386, 702]);
  const back = expectOk(instrument.withTuning([0, 386, 702]));
  expect(back).toEqual({ tongues });
});

test.each([
  [{ tongues: [{ pitch: 60, cents: 0, slot: 0 }] }, 'layout.tongues', /2 to 24 tongues, not 1/],
  [
    { tongues: Array.from({ length: 40 }, (_, i) => ({ pitch: 40 + i, cents: 0, slot: i })) },
    'layout.tongues',
    /not 40/,
  ],
  [
    { tongues: [0, 1, 1].map((slot, i) => ({ pitch: 60 + i, cents: 0, slot })) },
    'layout.tongues.3',
    /where tongue 2 lies/,
  ],
  [{ tongues: [0, 1].map((slot) => ({ pitch: 60, cents: 70, slot })) }, 'layout.tongues.1', /Cents/],
])('a layout with %j is refused at %s', (layout, field, message) => {
  const spec = specFromPreset('drum', 'c-major-8');
  const result = openInstrument({ ...spec, layout });
  const problem = result.ok ? undefined : result.problems.find((p) => p.field === field);
  expect(problem?.message).toMatch(message);
});
