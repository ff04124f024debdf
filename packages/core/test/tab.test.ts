/** Notes of every family as each dialect writes them, and in short where their side is shown by place. By hand. */
import { families, FAMILY_IDS } from '../src/families/index.ts';
import { ableInstrument } from './instruments.ts';

/** Family, preset, and by way: the short text, then one text for each dialect in the family's order. */
const WRITTEN: readonly (readonly [string, string, Readonly<Record<string, readonly string[]>>])[] = [
  [
    'diatonic',
    '60',
    {
      '1b': ['1', '1 blow', '1↑', '+1', '1b', '1 blow', '1↑', '+1', '1b'],
      '3d2': ['3″', '3 draw ″', '3↓″', '−3″', '3d″', '3 draw A', '3↓A', '−3A', '3dA'],
      '1bo': ['1°', '1 overblow', '1↑°', '+1°', '1b°', '1 overblow', '1↑°', '+1°', '1b°'],
      '10do': ['10°', '10 overdraw', '10↓°', '−10°', '10d°', '10 overdraw', '10↓°', '−10°', '10d°'],
    },
  ],
  [
    'chromatic',
    '60-12',
    {
      '1b': ['1', '1 blow', '1↑', '+1', '1b'],
      '12d': ['12', '12 draw', '12↓', '−12', '12d'],
      '3bs': ['3▸', '3 blow slide', '3↑▸', '+3▸', '3b▸'],
      '3ds': ['3▸', '3 draw slide', '3↓▸', '−3▸', '3d▸'],
    },
  ],
  [
    'whistle',
    '74',
    {
      xxxxxx: ['●●●\n●●●', '●●●●●●', 'xxx xxx', '123456'],
      xxxxho: ['●●●\n●◐○', '●●●●◐○', 'xxx xho', '1234(5)'],
      'xxxxxo+': ['●●●\n●●○', '●●●●●○+', 'xxx xxo+', '12345+'],
      'xxxxxx++': ['●●●\n●●●+', '●●●●●●++', 'xxx xxx++', '123456++'],
    },
  ],
  [
    'english',
    'treble',
    {
      'L1.2': ['1.2', 'L1.2', 'L G♯4 (1.2)', 'left, column 1, button 2'],
      'R4.6': ['4.6', 'R4.6', 'R C7 (4.6)', 'right, column 4, button 6'],
    },
  ],
  [
    'anglo',
    'C-G-sharp-on-push',
    {
      Lo1out: ['Lo5', 'left outside 5 push', 'L o5 push', 'Lo5↑', '+Lo5'],
      Lo2in: ['Lo4', 'left outside 4 pull', 'L o4 pull', 'Lo4↓', '−Lo4'],
      Ri5in: ['Ri5', 'right inside 5 pull', 'R i5 pull', 'Ri5↓', '−Ri5'],
    },
  ],
  [
    'dulcimer',
    'd3-a3-d4',
    {
      'bass.0': ['0', 'bass 0', '0--', 'bass string open'],
      'middle.10': ['10', 'mid 10', '-10-', 'middle string fret 10'],
      'melody.6½': ['6½', 'mel 6½', '--6½', 'melody string fret 6½'],
    },
  ],
  [
    'harp',
    'eb-34',
    {
      '1down': ['C2', 'C2', '1', 'C2 string, lever down'],
      '1up': ['C♯2', 'C♯2', '1↑', 'C2 string, lever up'],
      '34down': ['A♭6', 'A♭6', '34', 'A6 string, lever down'],
    },
  ],
  ['drum', 'c-major-8', { t1: ['1', '1', '1 (C4)', 'tongue 1'], t8: ['8', '8', '8 (C5)', 'tongue 8'] }],
  ['custom', 'bells-8', { p1: ['1', '1', '1 (C4)'], p8: ['8', '8', '8 (C5)'] }],
];

test('every family is here', () => {
  expect(WRITTEN.map(([family]) => family).sort()).toEqual([...FAMILY_IDS].sort());
});

test.each(WRITTEN)('%s %s is written as its players write it', (family, preset, texts) => {
  const instrument = ableInstrument(family, preset);
  const dialects = families[family as 'drum'].dialects.map(({ id }) => id);
  for (const [id, written] of Object.entries(texts)) {
    const way = instrument.ways.find((one) => one.id === id)!;
    expect([id, instrument.brief(way), ...dialects.map((dialect) => instrument.tab(way, dialect))]).toEqual([
      id,
      ...written,
    ]);
  }
});

/** As people type it: capitals, brackets, doubled signs, what is done before the place. */
test.each([
  ['diatonic', '60', 'words', '4 DRAW', '4d'],
  ['diatonic', '60', 'letters', '4D', '4d'],
  ['diatonic', '60', 'letters', '(4d)', '4d'],
  ['diatonic', '60', 'words', 'draw 4', '4d'],
  ['diatonic', '60', 'words', 'Draw 3 ″', '3d2'],
  ['diatonic', '60', 'arrows', '↓4', '4d'],
  ['diatonic', '60', 'letters', "d3''", '3d2'],
  ['diatonic', '60', 'signs', '--4', '4d'],
  ['diatonic', '60', 'signs', '[+4]', '4b'],
  ['chromatic', '60-12', 'words', '4 Draw Slide', '4ds'],
  ['chromatic', '60-12', 'letters', 'd4', '4d'],
  ['whistle', '74', 'letters', 'XXX OOO', 'xxxooo'],
  ['anglo', 'C-G-sharp-on-push', 'words', 'Left Middle 3 PUSH', 'Lm3out'],
  ['dulcimer', 'd3-a3-d4', 'strings', 'MEL 6½', 'melody.6½'],
  ['drum', 'c-major-8', 'words', 'Tongue 4', 't4'],
])('%s %s: in %s “%s” is %s', (family, preset, dialect, text, id) => {
  const read = ableInstrument(family, preset).parseTab(text, dialect);
  expect(read.ok ? read.value.id : read.problems[0]!.message).toBe(id);
});

test.each(['D4', 'B4'])('%s may be a place or a note, and is asked about', (text) => {
  const place = text === 'D4' ? '4d' : '4b';
  expect(ableInstrument('diatonic', '60').parseTab(text, 'letters')).toMatchObject({
    ok: false,
    problems: [{ message: `“${text}” may be a place or a note. Write ${place} for the place.` }],
  });
});

/** As players type it, and the way that is meant; undefined where it is refused. By hand. */
const TYPED: readonly (readonly [string, string, string, Readonly<Record<string, string | undefined>>])[] = [
  [
    'diatonic',
    '60',
    'signs',
    {
      '-3bb': '3d2',
      '3bb': '3d2',
      '-3b': '3d1',
      '+8b': '8b1',
      '4+': '4b',
      '4-': '4d',
      '6ob': '6bo',
      '+6o': '6bo',
      // Hole 6 has no overdraw.
      '-6o': undefined,
      "3''d": '3d2',
      '(4)': '4b',
    },
  ],
  ['diatonic', '60', 'letters', { '3b': '3b', '3bb': '3d2', '4d': '4d' }],
  [
    'chromatic',
    '60-12',
    'signs',
    {
      '4b+': '4bs',
      '4d+': '4ds',
      '<4': '4bs',
      '<-4': '4ds',
      '4*': '4bs',
      '-4*': '4ds',
      '4 draw slide in': '4ds',
    },
  ],
  ['whistle', '74', 'circles', { XXXXOO: 'xxxxoo', 'xxxxoo+': 'xxxxoo+' }],
  [
    'dulcimer',
    'd3-a3-d4',
    'columns',
    { '6+': 'melody.6½', '3': 'melody.3', '6.5': 'melody.6½', 'mid 6+': 'middle.6½', '--6+': 'melody.6½' },
  ],
  ['anglo', 'C-G-sharp-on-push', 'words', { 'Lm3 push': 'Lm3out', 'lm3+': 'Lm3out', 'lm3-': 'Lm3in' }],
];

test.each(TYPED)('%s %s in %s is read as players type it', (family, preset, dialect, typed) => {
  const instrument = ableInstrument(family, preset);
  const read = Object.keys(typed).map((text) => {
    const way = instrument.parseTab(text, dialect);
    return [text, way.ok ? way.value.id : undefined];
  });
  expect(Object.fromEntries(read)).toEqual(typed);
});
