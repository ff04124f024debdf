/** What hands, mouths and bellows hold at once and leave behind, by hand for every family. */
import type { Clash, Hold } from '../src/families/way.ts';
import { families } from '../src/families/index.ts';
import { specFromPreset, type Instrument } from '../src/instrument/instrument.ts';
import { chordHolds, easiest, HOLDS_KEPT } from '../src/route/holds.ts';
import { QUARTER } from '../src/time/ticks.ts';
import { ableInstrument, fingered, instrumentOf, pitchesOf, routeOf, signs } from './instruments.ts';

/** Why a hold cannot sound: the first clash of two of its ways, or else that of the whole. */
function clashOf(instrument: Instrument, hold: Hold): Clash['reason'] | undefined {
  for (const [i, high] of hold.entries())
    for (const low of hold.slice(0, i)) {
      const clash = instrument.clash(low, high);
      if (clash) return clash.reason;
    }
  return instrument.holdClash(hold)?.reason;
}

/** A hold, and why it cannot sound; nothing where it can. */
type Held = readonly [hold: string, reason?: Clash['reason']];

const HOLDS: readonly (readonly [family: string, preset: string, holds: readonly Held[]])[] = [
  [
    'diatonic',
    '60',
    [
      ['1b + 2b + 3b'],
      ['1b + 4b'],
      ['1b + 5b'],
      ['1b + 6b', 'span'],
      ['1b + 2d', 'air'],
      ['2d + 2d1', 'technique'],
      ['3d1 + 4d', 'technique'],
      ['1b + 2b + 4b + 5b'],
      ['1b + 3b + 5b', 'between'],
    ],
  ],
  [
    'chromatic',
    '60-12',
    [
      ['1b + 2b'],
      ['1bs + 2bs'],
      ['1b + 5b'],
      ['1b + 6b', 'span'],
      ['1b + 2bs', 'technique'],
      ['1b + 1bs', 'technique'],
      ['1d + 2b', 'air'],
      ['1d + 3d + 5d', 'between'],
    ],
  ],
  ['whistle', '74', [['xxxxxx + xxxxxo', 'voices']]],
  [
    'english',
    'treble',
    [
      ['L2.2/Li + L3.2/Lm'],
      ['L2.2/Li + R2.2/Ri'],
      ['L2.1/Li + L3.5/Lm'],
      ['L2.1/Li + L3.6/Lm', 'span'],
      ['L2.1/Li + R2.6/Ri'],
      ['L2.2/Li + L2.3/Li', 'finger'],
      ['L2.2/Li + L2.2/Lm', 'place'],
    ],
  ],
  [
    'anglo',
    'C-G-sharp-on-push',
    [
      // Columns count from the left: on the left hand the higher lies nearer the thumb.
      ['Lm3out/Lr + Lm4out/Lm'],
      ['Lm3out/Lm + Lm4out/Lr', 'finger'],
      ['Lm3out/Lm + Li3out/Lm', 'finger'],
      ['Lm3out/Lm + Li3out/Lr'],
      ['Lm3out/Lm + Lm3in/Lm', 'air'],
      ['Lm3out/Lm + Rm3in/Rm', 'air'],
      ['Lm3out/Lm + Rm3out/Rm'],
    ],
  ],
  [
    'dulcimer',
    'd3-a3-d4',
    [
      ['bass.0 + middle.0 + melody.0'],
      ['melody.0 + melody.3/r', 'place'],
      ['bass.3/r + melody.3/r'],
      ['bass.3/r + melody.4/r', 'finger'],
      ['bass.1/r + melody.3/i'],
      ['bass.3/i + melody.4/r', 'finger'],
      // Centimetres on a string of 68.6: 1 to 3 is 9.7, 1 to 4 is 15.3, 1 to 5 is 20.3, 3 to 8 is 20.8, 10 to 13 is 5.6.
      ['bass.1/r + melody.4/m', 'span'],
      ['bass.1/r + melody.4/t'],
      ['middle.1/r + melody.5/t', 'span'],
      ['middle.3/r + melody.8/t', 'span'],
      ['middle.10/r + melody.13/m'],
      ['bass.1/r + melody.5/m', 'span'],
      ['bass.0 + melody.12/m'],
    ],
  ],
  [
    'harp',
    'c-34',
    [
      ['17down/R2 + 20down/R1'],
      ['17down/R1 + 20down/R2', 'finger'],
      ['17down/R2 + 20down/R2', 'finger'],
      ['17down/R2 + 17up/L2', 'place'],
      ['11down/R2 + 20down/R1'],
      ['10down/R2 + 20down/R1', 'span'],
      ['17down/L1 + 20down/R2'],
      ['17down/R2 + 20down/L1', 'finger'],
    ],
  ],
  [
    'drum',
    families.drum.presets[0]!.id,
    [['t1/L + t2/R'], ['t1/L + t2/L', 'finger'], ['t1/R + t2/R', 'finger']],
  ],
  ['custom', families.custom.presets[0]!.id, [['p1/R + p2/L'], ['p1/L + p2/L', 'finger']]],
];

describe.each(HOLDS)('%s', (family, preset, holds) => {
  test.each(holds.map(([hold, reason]) => [hold, reason] as const))('%s: %s', (hold, reason) => {
    const instrument = ableInstrument(family, preset);
    const ways = hold.split(' + ').map((text) => fingered(instrument, text));
    expect(clashOf(instrument, ways)).toBe(reason);
    expect(clashOf(instrument, [...ways].reverse())).toBe(reason);
  });
});

test('every family is told of', () => {
  expect(HOLDS.map(([family]) => family).sort()).toEqual(Object.keys(families).sort());
});

test.each([
  ['dulcimer', 'd3-a3-d4', '', ['melody.0'], ''],
  ['dulcimer', 'd3-a3-d4', '4', ['melody.0'], '4'],
  ['dulcimer', 'd3-a3-d4', '4', ['bass.3/r', 'melody.0'], '3'],
  ['dulcimer', 'd3-a3-d4', '4', ['melody.5/i'], '3'],
  ['harp', 'c-34', '', ['17down/R2'], signs({ 16: '-' })],
  ['harp', 'c-34', '', ['17up/R2'], signs({ 16: '+' })],
  ['harp', 'c-34', signs({ 16: '+' }), ['20up/R1'], signs({ 16: '+', 19: '+' })],
  ['harp', 'c-34', signs({ 16: '+', 19: '+' }), ['17down/R2'], signs({ 16: '-', 19: '+' })],
  ['harp', 'c-34', signs({ 16: '+' }), ['17up/R2'], signs({ 16: '+' })],
  ['harp', 'c-34', '', ['17up/R2', '20up/R1'], signs({ 16: '+', 19: '+' })],
  // In two rows only what is not as set.
  ['harp', 'c-23-double', '', ['R5down/R2'], ''],
  ['harp', 'c-23-double', '', ['R5up/R2'], signs({ 27: '+' })],
  ['harp', 'c-23-double', signs({ 27: '+' }), ['R5down/R2'], ''],
])('%s %s, coming with “%s”: %j leaves “%s” behind', (family, preset, before, hold, after) => {
  const instrument = ableInstrument(family, preset);
  const left = instrument.carry(
    before,
    hold.map((text) => fingered(instrument, text)),
  );
  // Behind the levers, where the hands lie is told.
  expect(left.split('/')[0]).toBe(after);
});

test('on a harp the other hand helps in a chord, but where each has a row it keeps to it', () => {
  const hands = (preset: string, wayId: string, inChord: boolean) => {
    const instrument = ableInstrument('harp', preset);
    const { way } = fingered(instrument, wayId);
    return [...new Set(instrument.fingeredWaysOf(way, {}, inChord).map(({ fingering }) => fingering![0]))]
      .sort()
      .join('');
  };
  expect(hands('c-34', '19down', false)).toBe('R');
  expect(hands('c-34', '19down', true)).toBe('LR');
  expect(hands('c-23-double', 'L5down', true)).toBe('L');
  expect(hands('c-23-double', 'R5down', true)).toBe('R');
});

test('the middle string of a dulcimer with a capo is open at the capo', () => {
  const { layout } = specFromPreset('dulcimer', 'd3-a3-d4');
  const words = (capo: string) =>
    fingered(instrumentOf('dulcimer', 'd3-a3-d4', { layout: { ...(layout as object), capo } }), 'middle.0')
      .way.words;
  expect(words('0')).toBe('middle string open');
  expect(words('3')).toBe('middle string at the capo');
});

test('the low chord of E minor lies in a left hand: ring and little finger on the last column', () => {
  const anglo = instrumentOf('anglo', 'C-G-sharp-on-push');
  // E3, G3 and B3 are all pushed.
  const view = routeOf(
    anglo,
    pitchesOf('E3 G3 B3').map((pitch, i) => ({ id: String(i), pitch, onset: 0, length: QUARTER })),
  );
  expect(view.notes.map(({ way }) => way?.id)).toEqual(['Lo1out', 'Lm2out', 'Li1out']);
});

test('of many holds the easiest go on, and one at least of each choice of strings', () => {
  const instrument = ableInstrument('harp', 'c-23-double');
  const { holds } = chordHolds(
    instrument,
    [60, 64, 67, 72].map((pitch) => ({
      pitch,
      open: instrument.ways
        .filter((way) => way.pitch === pitch)
        .flatMap((way) => instrument.fingeredWaysOf(way, {}, true)),
    })),
    [60, 64, 67, 72],
  );
  expect(holds.length).toBeGreaterThan(100);
  const strings = (hold: Hold) => hold.map(({ way }) => way.id).join(' ');
  const costOf = (hold: Hold) => holds.indexOf(hold) % 7;
  const kept = easiest(holds, costOf);
  const choices = new Set(holds.map(strings));
  expect(new Set(kept.map(strings))).toEqual(choices);
  expect(kept).toHaveLength(Math.max(HOLDS_KEPT, choices.size));
  expect(kept).toEqual(holds.filter((hold) => kept.includes(hold)));
  // Nothing that was let go is easier than the easiest of its strings that stayed.
  for (const hold of holds)
    expect(Math.min(...kept.filter((one) => strings(one) === strings(hold)).map(costOf))).toBeLessThanOrEqual(
      costOf(hold),
    );
  expect(easiest(holds.slice(0, HOLDS_KEPT), costOf)).toHaveLength(HOLDS_KEPT);
});

test('a long line of chords is routed whole, said not to be sure, and hardly dearer than the same in short', () => {
  const chords = Array.from({ length: 60 }, (_, i) => [48, 55, 60 + (i % 5), 64 + (i % 3)]);
  const lineOf = (some: readonly (readonly number[])[]) =>
    some.flatMap((pitches, at) =>
      [...new Set(pitches)].map((pitch) => ({
        id: `${at}.${pitch}`,
        pitch,
        onset: at * QUARTER,
        length: QUARTER,
      })),
    );
  const long = routeOf(instrumentOf('harp', 'eb-34'), lineOf(chords));
  expect(long.notes.filter(({ missing }) => missing).length).toBe(
    routeOf(instrumentOf('harp', 'eb-34'), lineOf(chords.slice(0, 15))).notes.filter(({ missing }) => missing)
      .length * 4,
  );
  expect(long.exact).toBe(false);
  const short = routeOf(instrumentOf('harp', 'eb-34'), lineOf(chords.slice(0, 15)));
  expect(short.exact).toBe(true);
  expect(long.effort.total).toBeLessThan(4.6 * short.effort.total);
});
