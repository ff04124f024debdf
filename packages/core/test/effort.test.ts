/** Every term of the effort with figures worked out by hand, before weighting. */
import { instrumentOf, termCost, type Figure } from './instruments.ts';
import { HARP_FIGURES } from './samples/harpFigures.ts';
import type { InstrumentSpec } from '../src/instrument/instrument.ts';
import { families } from '../src/families/index.ts';

const told = new Map<string, Set<string>>();

function figures(
  family: string,
  preset: string,
  list: readonly Figure[],
  change: Partial<InstrumentSpec> = {},
) {
  const known = told.get(family) ?? new Set();
  told.set(family, known);
  for (const [term] of list) known.add(term);
  test.each(list.map(([term, to, cost, around]) => [term, to.join(' + '), cost, around] as const))(
    `${family} ${preset}, %s: %s costs %d, with %j`,
    (term, to, cost, around) => {
      const instrument = instrumentOf(family, preset, change);
      expect(termCost(instrument, term, to.split(' + '), around)).toBeCloseTo(cost, 6);
    },
  );
}

// A harmonica in C: its high bends count 1 + 3 × 0.17 for three semitones above A.
figures('diatonic', '60', [
  ['turns', ['4d'], 1, { from: ['4b'] }],
  ['turns', ['4d'], 2.5, { from: ['4b'], timing: { since: 0.15 } }],
  ['turns', ['5b'], 0, { from: ['4b'] }],
  ['turns', ['1d', '2d'], 1, { from: ['1b', '2b', '3b'] }],
  ['jumps', ['5b'], 0, { from: ['4b'] }],
  ['jumps', ['7b'], 2, { from: ['4b'] }],
  ['jumps', ['1b'], 8, { from: ['10b'] }],
  ['jumps', ['6b'], 2, { from: ['1b', '2b', '3b'] }],
  ['jumps', ['1b', '4b'], 1, { from: ['6d'] }],
  ['bends', ['4d'], 0],
  ['bends', ['4d1'], 1],
  ['bends', ['2d2'], 1.5],
  ['bends', ['3d3'], 1.5],
  ['bends', ['3d1'], 1],
  ['middles', ['2d1'], 2.2],
  ['middles', ['2d1'], 4.4, { timing: { lasts: 0.15 } }],
  ['middles', ['3d1'], 0],
  ['middles', ['3d2'], 2.7],
  ['middles', ['3d2'], 2.7],
  ['middles', ['3d3'], 0],
  ['highs', ['8b1'], 2.8 * 1.51],
  ['highs', ['10b1'], 3.4 * 1.51],
  ['highs', ['10b2'], 2.8 * 1.51],
  ['highs', ['8b'], 0],
  ['overs', ['6bo'], 4 * 1.51],
  ['overs', ['9do'], 5 * 1.51],
  ['overs', ['6b'], 0],
  ['over-run', ['6bo'], 1, { from: ['5bo'] }],
  ['over-run', ['6bo'], 0, { from: ['5d'] }],
  ['over-run', ['6b'], 0, { from: ['5bo'] }],
  ['breath', ['1b'], 0, { timing: { beats: 4 } }],
  ['tone', ['3b'], 0.4],
  ['tone', ['2d'], 0],
  ['tone', ['3d1'], 0],
  ['tone', ['3d2'], 0.5],
  ['tone', ['6bo'], 1],
  ['tone', ['4d1'], 0],
  ['blocks', ['1b', '4b'], 2],
  ['blocks', ['1b', '2b', '3b'], 0],
  ['blocks', ['4b'], 0],
  ['habit', ['3b'], 1, { options: { twin: 'draw' } }],
  ['habit', ['2d'], 0, { options: { twin: 'draw' } }],
  ['habit', ['2d'], 1, { options: { twin: 'blow' } }],
  ['habit', ['3b'], 0, { options: { twin: 'either' } }],
  ['habit', ['4b'], 0, { options: { twin: 'draw' } }],
]);
// In A high bends are not harder; in low F, two semitones below G, draw bends are by 2 × 0.04.
figures('diatonic', '57', [
  ['highs', ['8b1'], 2.8],
  ['overs', ['6bo'], 4],
  ['breath', ['1b'], 0.5, { timing: { beats: 2 } }],
]);
figures('diatonic', '53', [
  ['bends', ['4d1'], 1.08],
  ['middles', ['3d2'], 2.7 * 1.08],
  ['breath', ['1b'], 7 / 12, { timing: { beats: 1 } }],
]);

figures('chromatic', '60-12', [
  ['turns', ['2d'], 1, { from: ['2b'] }],
  ['turns', ['2d'], 6.5, { from: ['2b'], timing: { since: 0.15 } }],
  ['turns', ['3b'], 0, { from: ['2b'] }],
  ['slides', ['2bs'], 1, { from: ['2b'] }],
  ['slides', ['3bs'], 0, { from: ['2bs'] }],
  ['slides', ['2d'], 1, { from: ['2ds'] }],
  ['jumps', ['5b'], 3, { from: ['1b'] }],
  ['jumps', ['2d'], 0, { from: ['1b'] }],
  ['slid', ['2ds'], 1],
  ['slid', ['2d'], 0],
  ['slid', ['1bs', '2bs'], 2],
  // C on 4 before D, on 5 before D, and before B.
  ['onward', ['5d'], 1, { from: ['4b'] }],
  ['onward', ['5d'], 0, { from: ['5b'] }],
  ['onward', ['4d'], 0, { from: ['4b'] }],
  ['onward', ['2b'], 0, { from: ['1b'] }],
  ['blocks', ['1b', '5b'], 3],
  ['habit', ['4b'], 1, { options: { home: 'upper' } }],
  ['habit', ['5b'], 0, { options: { home: 'upper' } }],
  ['habit', ['5b'], 1, { options: { home: 'lower' } }],
  ['habit', ['4b'], 0, { options: { home: 'lower' } }],
  ['habit', ['3b'], 0, { options: { home: 'lower' } }],
]);

// A D whistle: 74 its lowest note.
figures('whistle', '74', [
  ['fingers', ['oooooo'], 6, { from: ['xxxxxx'] }],
  ['fingers', ['xxxxxh'], 0.5, { from: ['xxxxxx'] }],
  ['fingers', ['oxxooo'], 3, { from: ['xooooo'] }],
  ['crossed', ['oxxooo'], 1, { from: ['xooooo'] }],
  ['crossed', ['oooooo'], 0, { from: ['xxxxxx'] }],
  ['halves', ['xxxxxh'], 1],
  ['halves', ['oxxooo'], 0],
  ['crosses', ['oxxooo'], 1],
  ['crosses', ['xxxxxh'], 0],
  ['registers', ['xxxxxo+'], 1, { from: ['oooooo'] }],
  ['registers', ['oooooo'], 0, { from: ['xooooo'] }],
  ['burst', ['xxxxxx+'], 1, { from: ['oooooo'] }],
  ['burst', ['oxxxxx+'], 0, { from: ['oooooo'] }],
  ['burst', ['xxxxxx+'], 0, { from: ['xxxxxo+'] }],
  ['burst', ['xxxxxx'], 0, { from: ['oooooo'] }],
  ['another-tenth', ['oxxxoo'], 1, { from: ['xooooo'], carried: 'oxxooo' }],
  ['another-tenth', ['oxxooo'], 0, { from: ['xooooo'], carried: 'oxxooo' }],
  ['another-tenth', ['oxxooo+'], 0, { from: ['xooooo+'], carried: 'oxxooo' }],
  ['another-tenth', ['oxoxxx+'], 1, { from: ['xooooo+'], carried: 'oxxooo' }],
  ['another-tenth', ['oxxooo'], 0, { from: ['xooooo'] }],
  ['another-tenth', ['xooooo'], 0, { from: ['oooooo'], carried: 'oxxooo' }],
  // 23 semitones up, four above where strain begins, over five, for two beats.
  ['strain', ['oooooo+'], 1.6, { timing: { beats: 2 } }],
  ['strain', ['xxoooo+'], 0, { timing: { beats: 2 } }],
  ['grip', ['oooooo'], 3, { timing: { beats: 3 } }],
  ['grip', ['oooxxx'], 0, { timing: { beats: 3 } }],
  ['bore', ['oxxxoo'], 1],
  ['bore', ['oxxooo'], 0],
]);
figures('whistle', '62', [
  ['bore', ['oxxooo'], 1],
  ['bore', ['oxxxoo'], 0],
]);

figures('english', 'treble', [
  ['hops', ['L2.3/Li'], 1, { from: ['L2.2/Li'] }],
  ['hops', ['L2.2/Li'], 0, { from: ['L2.2/Li'] }],
  ['hops', ['L2.3/Lm'], 0, { from: ['L2.2/Li'] }],
  ['hops', ['R2.3/Ri'], 0, { from: ['L2.2/Li'] }],
  ['same-hand', ['L3.2/Lm'], 1, { from: ['L2.2/Li'] }],
  ['same-hand', ['L2.2/Li'], 0, { from: ['L2.2/Li'] }],
  ['same-hand', ['R2.2/Ri'], 0, { from: ['L2.2/Li'] }],
  ['reach', ['L2.4/Li'], 2, { from: ['L3.1/Lm'] }],
  ['reach', ['L2.2/Li'], 0, { from: ['L3.1/Lm'] }],
  ['reach', ['R2.6/Ri'], 0, { from: ['L3.1/Lm'] }],
  ['stretch', ['L2.1/Li', 'L3.4/Lm'], 2],
  ['stretch', ['L2.1/Li', 'R3.4/Rm'], 0],
  ['outer', ['L1.1/Li'], 1],
  ['outer', ['L4.1/Lr'], 1],
  ['outer', ['L2.1/Li'], 0],
  ['weak', ['L4.1/Lr'], 1],
  ['weak', ['L4.1/Ll'], 1],
  ['weak', ['L3.1/Lm'], 0],
]);

figures('anglo', 'C-G-sharp-on-push', [
  ['turns', ['Lm3in/Lm'], 1, { from: ['Lm3out/Lm'] }],
  // Quick eighths: three quarters of the way to no time at all.
  ['turns', ['Lm3in/Lm'], 1 + 0.75 * 4, { from: ['Lm3out/Lm'], timing: { since: 0.15 } }],
  ['turns', ['Li3out/Lm'], 0, { from: ['Lm3out/Lm'] }],
  ['rows', ['Li3out/Lm'], 1, { from: ['Lm3out/Lm'] }],
  ['rows', ['Lm4out/Li'], 0, { from: ['Lm3out/Lm'] }],
  ['hops', ['Lm4out/Lm'], 0.5, { from: ['Lm3out/Lm'] }],
  ['hops', ['Lm4out/Lm'], 0.9, { from: ['Lm3out/Lm'], timing: { since: 0.3 } }],
  ['hops', ['Lm3in/Lm'], 0, { from: ['Lm3out/Lm'] }],
  ['off-middle', ['Li3out/Lm'], 1],
  ['off-middle', ['Lm3out/Lm'], 0],
  ['off-middle', ['Li3out/Lm'], 1 - 0.75 * 0.85, { timing: { lasts: 0.15 } }],
  ['off-middle', ['Ro1out/Ri', 'Lm3out/Lm'], 1],
  // The index finger of the left hand lies on the second button from the thumb, of the right hand on the first.
  ['displaced', ['Lm4in/Lm'], 1, { from: ['Lm3out/Lm'], carried: '21' }],
  ['displaced', ['Lm4in/Li'], 0, { from: ['Lm3out/Lm'], carried: '21' }],
  ['displaced', ['Ri3out/Rr'], 0, { from: ['Rm2out/Rm'], carried: '21' }],
  ['displaced', ['Ri2out/Ri', 'Lm3out/Lr'], 2, { from: ['Lm3out/Lm'], carried: '21' }],
  ['displaced', ['Ri2out/Ri'], 0, { from: ['Lm3out/Lm'], carried: '2-' }],
  ['weak', ['Lm1out/Ll'], 1],
  ['weak', ['Lm5out/Li'], 0],
  ['hands', ['Rm1out/Ri'], 1, { from: ['Lm5out/Li'] }],
  ['hands', ['Lm4out/Li'], 0, { from: ['Lm5out/Li'] }],
  ['left', ['Lm5out/Li'], 1],
  ['left', ['Lm3out/Lm', 'Rm1out/Ri'], 0],
]);

figures('dulcimer', 'd3-a3-d4', [
  ['crossings', ['bass.0'], 2, { from: ['melody.0'] }],
  ['crossings', ['middle.0'], 1, { from: ['melody.0'] }],
  ['crossings', ['melody.1/r'], 0, { from: ['melody.0'] }],
  ['crossings', ['middle.0'], 0, { from: ['bass.0', 'melody.2/r'] }],
  // The ring finger goes from fret 1 to fret 3: two places; across an open string as well.
  ['shifts', ['melody.3/r'], 2, { from: ['melody.1/r'], carried: '1' }],
  ['shifts', ['melody.12/r'], 11, { from: ['melody.0'], carried: '1' }],
  ['shifts', ['melody.0'], 0, { from: ['melody.1/r'], carried: '1' }],
  ['shifts', ['melody.3/i'], 0, { from: ['melody.1/r'], carried: '1' }],
  // From 6 with the index, hand at 4, to 6½ with the same finger: half a place.
  ['shifts', ['melody.6½/i'], 0.5, { from: ['melody.6/i'], carried: '4' }],
  ['spans', ['melody.3/m'], 1, { from: ['melody.1/r'], carried: '1' }],
  ['spans', ['melody.2/r'], 0, { from: ['melody.1/r'], carried: '1' }],
  ['spans', ['middle.1/r', 'melody.4/m'], 2],
  ['spans', ['middle.1/r', 'melody.2/m'], 0],
  ['spans', ['bass.0', 'melody.5/i'], 0],
  ['slides', ['melody.2/r'], 1, { from: ['melody.1/r'] }],
  ['slides', ['middle.1/r'], 0.5, { from: ['melody.1/r'] }],
  ['slides', ['melody.1/r'], 0, { from: ['melody.1/r'] }],
  ['slides', ['melody.2/n'], 0, { from: ['melody.1/n'], options: { hand: 'noter' } }],
  ['slides', ['melody.2/m'], 0, { from: ['melody.1/r'] }],
  // A half fret and the next: the finger slides on.
  ['slides', ['melody.7/i'], 0, { from: ['melody.6½/i'] }],
  ['slides', ['middle.7/i'], 1, { from: ['melody.6½/i'] }],
  ['slides', ['melody.7/i'], 1, { from: ['melody.6/i'] }],
  ['thumb', ['melody.4/t'], 1],
  ['thumb', ['melody.4/i'], 0],
  // The middle string lies outwards from the melody string: picked out with ease, in against it.
  ['pick', ['middle.0'], 0, { from: ['melody.0'], timing: { offPulse: false } }],
  ['pick', ['middle.0'], 1, { from: ['melody.0'], timing: { offPulse: true } }],
  ['pick', ['middle.0'], 0, { from: ['melody.0'], timing: { offPulse: true }, options: { pick: 'out' } }],
  ['pick', ['melody.0'], 1, { from: ['middle.0'], timing: { offPulse: false } }],
  ['off-melody', ['middle.0'], 1],
  ['off-melody', ['bass.0', 'melody.0'], 0],
  ['off-melody', ['melody.0', 'middle.7/i'], 1],
  ['off-melody', ['melody.0'], 0],
]);

figures('harp', 'c-34', HARP_FIGURES);

for (const family of ['drum', 'custom'] as const)
  figures(family, families[family].presets[0]!.id, [
    [
      'same-hand',
      family === 'drum' ? ['t3/R'] : ['p3/R'],
      1,
      { from: family === 'drum' ? ['t2/R'] : ['p2/R'] },
    ],
    [
      'same-hand',
      family === 'drum' ? ['t3/L'] : ['p3/L'],
      0,
      { from: family === 'drum' ? ['t2/R'] : ['p2/R'] },
    ],
    [
      'same-hand',
      family === 'drum' ? ['t2/R'] : ['p2/R'],
      0,
      { from: family === 'drum' ? ['t2/R'] : ['p2/R'] },
    ],
    [
      'again',
      [family === 'drum' ? 't2/R' : 'p2/R'],
      2,
      { from: [family === 'drum' ? 't2/R' : 'p2/R'], timing: { since: 0.15 } },
    ],
    [
      'again',
      [family === 'drum' ? 't2/R' : 'p2/R'],
      0,
      { from: [family === 'drum' ? 't2/R' : 'p2/R'], timing: { since: 0.3 } },
    ],
    [
      'again',
      [family === 'drum' ? 't2/R' : 'p2/R'],
      0,
      { from: [family === 'drum' ? 't2/L' : 'p2/L'], timing: { since: 0.15 } },
    ],
    ['crossed', family === 'drum' ? ['t2/R'] : ['p1/R'], 1],
    ['crossed', family === 'drum' ? ['t2/L'] : ['p1/L'], 0],
    ['way', family === 'drum' ? ['t2/L'] : ['p2/L'], 0, { from: family === 'drum' ? ['t1/R'] : ['p1/R'] }],
  ]);
// Bells lie 27 mm apart in a row: 27 of 40, to a tenth.
figures('custom', families.custom.presets[0]!.id, [['way', ['p2/L'], 0.7, { from: ['p1/L'] }]]);

test('every term of every family has a figure, but for those that come from one’s own instrument', () => {
  for (const [id, family] of Object.entries(families)) {
    const own = family.terms
      .map((term) => term.id)
      .filter((term) => !['tuning', 'choice', 'air-button', 'long-air'].includes(term));
    expect([id, own.filter((term) => !told.get(id)?.has(term))]).toEqual([id, []]);
  }
});

/** Weights as judged in words: what is named first outweighs what is named after it. */
test.each([
  ['diatonic', ['habit', 'overs', 'over-run', 'middles', 'bends', 'jumps', 'turns', 'breath']],
  ['chromatic', ['habit', 'slides', 'onward', 'turns']],
  ['whistle', ['halves', 'grip', 'registers', 'crossed', 'crosses', 'fingers']],
  ['english', ['hops', 'outer', 'same-hand', 'weak']],
  ['anglo', ['hops', 'off-middle', 'rows', 'weak', 'turns', 'hands', 'left']],
  ['dulcimer', ['thumb', 'slides', 'spans', 'shifts', 'pick', 'off-melody']],
  ['harp', ['hurry', 'flips', 'again', 'cut', 'sides', 'moves', 'stretch', 'crossed', 'back', 'ring']],
  ['drum', ['same-hand', 'crossed', 'way']],
] as const)('in %s what costs more comes first: %j', (id, order) => {
  const weights = order.map((term) => families[id].terms.find((t) => t.id === term)!.weight);
  expect(weights).toEqual([...weights].sort((a, b) => b - a));
  expect(new Set(weights).size).toBe(weights.length);
});
