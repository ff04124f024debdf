/** How ways, fingers, sides and techniques are said in full, on the page, in print and to a screen reader; which
 * fingers may play what. By hand. */
import { families, FAMILY_IDS } from '../src/families/index.ts';
import { counted, withArticle } from '../src/words.ts';
import { ableInstrument } from './instruments.ts';

interface Said {
  readonly preset: string;
  /** Ways by id. */
  readonly ways: Readonly<Record<string, string>>;
  readonly fingers?: Readonly<Record<string, string>>;
  /** What stands above, on and below the axis of a line. */
  readonly sides: readonly [above: string, level: string, below: string];
  /** Techniques from easy to hard: what a note needs, with a question mark where it is risky. */
  readonly needs: readonly string[];
}

const hands = (fingers: readonly string[], names: string): Record<string, string> =>
  Object.fromEntries(
    ['left', 'right'].flatMap((hand) =>
      fingers.map((finger, i) => [hand[0]!.toUpperCase() + names[i]!, `${hand} ${finger}`]),
    ),
  );
const FINGERS = ['index finger', 'middle finger', 'ring finger', 'little finger'];

const SAID: Readonly<Record<string, Said>> = {
  diatonic: {
    preset: '60',
    ways: {
      '10b2': '10 blow bent 2',
      '1bo': '1 overblow',
      '2d': '2 draw',
      '3d1': '3 draw bent 1',
      '7do': '7 overdraw',
      '8b': '8 blow',
    },
    sides: ['blow ↑', '', 'draw ↓'],
    needs: [
      'a plain note',
      'a bend',
      'a deep bend',
      'a middle bend?',
      'a blow bend?',
      'an overblow?',
      'an overdraw?',
    ],
  },
  chromatic: {
    preset: '60-12',
    ways: { '4b': '4 blow', '4bs': '4 blow, slide in', '12d': '12 draw', '12ds': '12 draw, slide in' },
    sides: ['blow ↑', '', 'draw ↓'],
    needs: ['an open note', 'the slide'],
  },
  whistle: {
    preset: '74',
    ways: {
      xxxxxx: 'all covered',
      oooooo: 'all open',
      xxxxho: '1 2 3 4 covered, 5 half',
      oxxxoo: '2 3 4 covered',
      'xxxxxo+': '1 2 3 4 5 covered, overblown',
      'xxxxxx++': 'all covered, blown hardest',
    },
    sides: ['upper register', '', 'low register'],
    needs: ['a plain fingering', 'the upper register', 'a cross-fingering', 'a half-hole?', 'strained air?'],
  },
  english: {
    preset: 'treble',
    ways: { 'L2.1': 'left, column 2, button 1', 'R4.6': 'right, column 4, button 6' },
    fingers: hands(FINGERS, 'imrl'),
    sides: ['right hand', '', 'left hand'],
    needs: ['a button'],
  },
  anglo: {
    preset: 'C-G-sharp-on-push',
    // Buttons of the left hand are counted from the index finger: the leftmost is the fifth.
    ways: {
      Lo1out: 'left outside 5 push',
      Lm5in: 'left middle 1 pull',
      Ri1out: 'right inside 1 push',
      Ro5in: 'right outside 5 pull',
    },
    fingers: hands(FINGERS, 'imrl'),
    sides: ['push ↑', '', 'pull ↓'],
    needs: ['a button of the main rows', 'the outside row'],
  },
  dulcimer: {
    preset: 'd3-a3-d4',
    ways: {
      'bass.0': 'bass string open',
      'middle.7': 'middle string fret 7',
      'melody.6½': 'melody string fret 6½',
    },
    fingers: { r: 'ring finger', m: 'middle finger', i: 'index finger', t: 'thumb', n: 'noter' },
    sides: ['bass', 'middle', 'melody'],
    needs: ['the melody string', 'the middle string', 'the bass string'],
  },
  harp: {
    preset: 'eb-34',
    ways: { '1down': 'C2 string, lever down', '34up': 'A6 string, lever up' },
    fingers: hands(['thumb', 'index finger', 'middle finger', 'ring finger'], '1234'),
    sides: ['right hand', 'strings', 'left hand'],
    needs: ['a string as it is set', 'a lever flipped?'],
  },
  drum: {
    preset: 'c-major-8',
    ways: { t1: 'tongue 1', t8: 'tongue 8' },
    fingers: { L: 'left hand', R: 'right hand' },
    sides: ['right hand', 'tongues', 'left hand'],
    needs: ['a pitch that is not there'],
  },
  custom: {
    preset: 'bells-8',
    ways: { p1: '1', p8: '8' },
    fingers: { L: 'left hand', R: 'right hand' },
    sides: ['right hand', 'pitches', 'left hand'],
    needs: ['a pitch that is not there'],
  },
};

test('every family is here', () => {
  expect(Object.keys(SAID).sort()).toEqual([...FAMILY_IDS].sort());
});

test.each(FAMILY_IDS)('%s is said in words', (id) => {
  const { preset, ways, fingers = {}, sides, needs } = SAID[id]!;
  const family = families[id];
  const instrument = ableInstrument(id, preset);
  const { above, level, below } = family.sides;
  expect(Object.keys(ways).map((way) => [way, instrument.ways.find((w) => w.id === way)?.words])).toEqual(
    Object.entries(ways),
  );
  expect(family.fingerings.map((finger) => [finger.id, finger.words])).toEqual(Object.entries(fingers));
  expect([above, level, below]).toEqual(sides);
  expect(family.techniques.map((one) => one.needs + (one.safe ? '' : '?'))).toEqual(needs);
});

/** Fingers that may play a way under a school, in the family's order; `*` before the way where it is one of a chord. */
test.each([
  ['english', 'treble', { fingers: 'two' }, { 'L1.1': 'Li', 'R2.1': 'Ri', 'L3.1': 'Lm', 'R4.1': 'Rm' }],
  [
    'english',
    'treble',
    { fingers: 'three' },
    { 'L1.1': 'Li', 'R2.1': 'Ri Rm', 'L3.1': 'Lm Lr', 'R4.1': 'Rr' },
  ],
  [
    'english',
    'treble',
    { fingers: 'four' },
    { 'R1.1': 'Ri', 'L2.1': 'Li Lm', 'R3.1': 'Rm Rr', 'L4.1': 'Lr Ll' },
  ],
  ['english', 'treble', {}, { 'L4.1': 'Lr' }],
  [
    'anglo',
    'C-G-sharp-on-push',
    {},
    { Lm5in: 'Li', Lm4in: 'Li Lm', Ri3out: 'Rm Rr', Ro4out: 'Rr Rl', Lo1out: 'Lr Ll' },
  ],
  ['dulcimer', 'd3-a3-d4', {}, { 'melody.0': '', 'melody.3': 'r m i t', 'bass.12': 'r m i t' }],
  ['dulcimer', 'd3-a3-d4', { hand: 'noter' }, { 'melody.0': '', 'melody.3': 'n' }],
  // Strings 15 and 14 of a harp from C2 are C4 and B3.
  [
    'harp',
    'c-34',
    { hands: 'right' },
    { '15down': 'R1 R2 R3 R4', '14down': 'R1 R2 R3 R4', '*15down': 'L1 L2 L3 L4 R1 R2 R3 R4' },
  ],
  // Either hand from a fifth below middle C, the 15th string, to a third above it.
  [
    'harp',
    'c-34',
    {},
    {
      '10down': 'L1 L2 L3 L4',
      '11down': 'L1 L2 L3 L4 R1 R2 R3 R4',
      '16down': 'L1 L2 L3 L4 R1 R2 R3 R4',
      '17down': 'R1 R2 R3 R4',
    },
  ],
  ['drum', 'c-major-8', {}, { t1: 'L R' }],
  ['drum', 'c-major-8', { hands: 'left' }, { t1: 'L' }],
  ['custom', 'bells-8', { hands: 'right' }, { p3: 'R' }],
  ['whistle', '74', {}, { xxxxxx: '' }],
])('%s %s with %j is played by %j', (family, preset, options: Record<string, string>, fingers) => {
  const instrument = ableInstrument(family, preset);
  for (const [text, wanted] of Object.entries(fingers)) {
    const way = instrument.ways.find((w) => w.id === text.replace('*', ''))!;
    const choices = instrument.fingeredWaysOf(way, options, text.startsWith('*'));
    expect([text, choices.map((one) => one.fingering ?? '').join(' ')]).toEqual([text, wanted]);
  }
});

test('things are counted as one says it', () => {
  expect([0, 1, 2].map((n) => counted(n, 'reed'))).toEqual(['0 reeds', '1 reed', '2 reeds']);
  expect([1, 3].map((n) => counted(n, 'pitch', 'pitches'))).toEqual(['1 pitch', '3 pitches']);
});

test.each([
  ['English concertina', 'an'],
  ['Anglo concertina', 'an'],
  ['A♭ harmonica', 'an'],
  ['E harmonica', 'an'],
  ['F♯ harmonica', 'an'],
  ['B♭ harmonica', 'a'],
  ['low E♭ harmonica', 'a'],
  ['C major, 8 tongue drum', 'a'],
  ['8-hole one', 'an'],
  ['12-hole one', 'a'],
  ['F major pentatonic drum', 'an'],
  ['tongue drum', 'a'],
  ['full set', 'a'],
])('%s is said with “%s”', (thing, article) => {
  expect(withArticle(thing)).toBe(`${article} ${thing}`);
});
