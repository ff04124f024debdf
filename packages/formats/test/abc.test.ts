import { expectOk } from '@same-song/core';
import { readAbc, textOf, writeFile } from '../src/index.ts';
import { sounds } from './sounds.ts';

const HEAD = 'X:1\nT:Trial\nM:4/4\nL:1/4\nK:C\n';

function read(text: string) {
  const [tune] = readAbc(text);
  return expectOk(tune!);
}

/** Each holds one difficulty; what it must give was written by hand. */
const FILES: readonly (readonly [name: string, text: string, expected: string])[] = [
  ['plain notes and octaves', `${HEAD}C,Cc c'|`, 'C3 C4 C5 C6'],
  [
    'lengths',
    `${HEAD}C2 D/ E/2 F// G//|A3/2 B>c d<e|`,
    'C4*2 D4*1/2 E4*1/2 F4*1/4 G4*1/4 A4*3/2 B4*3/2 C5*1/2 D5*1/2 E5*3/2',
  ],
  ['a key signature', 'X:1\nT:t\nL:1/4\nK:Eb\nEABe|', 'D#4 G#4 A#4 D#5'],
  ['modes', 'X:1\nT:t\nL:1/4\nK:D Mixolydian\nFc|\nK:Ddor\nFc|\nK:Dm\nFB|', 'F#4 C5 F4 C5 F4 A#4'],
  ['accidentals last to the bar line', `${HEAD}^F F =F F|F|`, 'F#4 F#4 F4 F4 F4'],
  ['accidentals reach other octaves unless said otherwise', `${HEAD}^F f|`, 'F#4 F#5'],
  ['accidentals by octave', `X:1\nT:t\n%%propagate-accidentals octave\nL:1/4\nK:C\n^F f F|`, 'F#4 F5 F#4'],
  ['double accidentals', `${HEAD}^^F __B|`, 'G4 A4'],
  ['pipes imply their signs', 'X:1\nT:t\nL:1/4\nK:HP\nfcg|', 'F#5 C#5 G5'],
  ['signs of one’s own', 'X:1\nT:t\nL:1/4\nK:D exp _B ^f\nBfc|', 'A#4 F#5 C5'],
  ['a key and signs besides', 'X:1\nT:t\nL:1/4\nK:Am ^G\nGA|', 'G#4 A4'],
  ['no key', 'X:1\nT:t\nL:1/4\nK:none\nCF|', 'C4 F4'],
  ['key in the middle of a line', `${HEAD}F[K:D]F|`, 'F4 F#4'],
  ['metre and unit in the middle', `${HEAD}C[L:1/8][M:2/4]CC|`, 'C4 C4*1/2 C4*1/2'],
  ['a tie over a bar line', `${HEAD}C2D2-|D2C2|`, 'C4*2 D4*4 C4*2'],
  ['a tie over a line end', `${HEAD}C2D2-|\nD2C2|`, 'C4*2 D4*4 C4*2'],
  ['a tie to another pitch ends', `${HEAD}C2D2-|E2C2|`, 'C4*2 D4*2 E4*2 C4*2'],
  ['a tie holds an accidental over the bar', `${HEAD}^F2-|F2F|`, 'F#4*4 F4'],
  ['a tie into the second time', `${HEAD}|:C2D2-:|D4|`, 'C4*2 D4*2 C4*2 D4*6'],
  ['ties in a chord', `${HEAD}[C-E]2[CF]2|`, 'C4*4 E4*2 F4*2'],
  ['a triplet', `${HEAD}(3CDE F|`, 'C4*2/3 D4*2/3 E4*2/3 F4'],
  ['two in the time of three in a jig', 'X:1\nT:t\nM:6/8\nL:1/8\nK:C\n(2CD E3|', 'C4*3/4 D4*3/4 E4*3/2'],
  ['a quintuplet takes two in simple time', `${HEAD}(5CDEFG|`, 'C4*2/5 D4*2/5 E4*2/5 F4*2/5 G4*2/5'],
  [
    'a quintuplet takes three in compound time',
    'X:1\nT:t\nM:6/8\nL:1/8\nK:C\n(5CDEFG|',
    'C4*3/10 D4*3/10 E4*3/10 F4*3/10 G4*3/10',
  ],
  ['a tuplet written out', `${HEAD}(3:2:2C2D E|`, 'C4*4/3 D4*2/3 E4'],
  ['a rest in a triplet', `${HEAD}(3CzE F|`, 'C4*2/3 -*2/3 E4*2/3 F4'],
  ['rests, seen and unseen, spacers', `${HEAD}z C x D y E|`, '- C4 - D4 E4'],
  ['rests of whole bars', `${HEAD}C4|Z2|D4|`, 'C4*4 -*8 D4*4'],
  ['a pickup', `${HEAD}G|C4|`, 'G4 C4*4'],
  ['grace notes do not shift', `${HEAD}{c}C {/de}D|`, 'C4 D4'],
  ['chords', `${HEAD}[CEG]2 [C2E2]|`, 'C4+E4+G4*2 C4+E4*2'],
  ['a repeat', `${HEAD}|:CDEF:|G4|`, 'C4 D4 E4 F4 C4 D4 E4 F4 G4*4'],
  ['two repeats in one sign', `${HEAD}|:C4::D4:|`, 'C4*4 C4*4 D4*4 D4*4'],
  ['two repeats in a sign of old files', `${HEAD}|:C4:|:D4:|`, 'C4*4 C4*4 D4*4 D4*4'],
  ['three times', `${HEAD}G4|::C4::|D4|`, 'G4*4 C4*4 C4*4 C4*4 D4*4'],
  ['a key in small letters', 'X:1\nT:t\nL:1/4\nK:e minor\nF|[K:g]F|[K:bass]F|', 'F#4 F#4 F#4'],
  ['a repeat from the beginning', `${HEAD}C4|D4:|E4|`, 'C4*4 D4*4 C4*4 D4*4 E4*4'],
  ['endings', `${HEAD}|:C4|1D4:|2E4||F4|`, 'C4*4 D4*4 C4*4 E4*4 F4*4'],
  ['endings in brackets', `${HEAD}|:C4|[1D4:|[2E4|]`, 'C4*4 D4*4 C4*4 E4*4'],
  ['endings for several times', `${HEAD}|:C4|[1,2D4:|[3E4|]`, 'C4*4 D4*4 C4*4 D4*4 C4*4 E4*4'],
  ['a repeat in the middle of a bar', `${HEAD}G|C2D:|E|F4|`, 'G4 C4*2 D4 G4 C4*2 D4 E4 F4*4'],
  ['da capo al fine', `${HEAD}C4|!fine!D4|E4!D.C.!|`, 'C4*4 D4*4 E4*4 C4*4 D4*4'],
  ['dal segno in words', `${HEAD}C4|!segno!D4|"^Fine"E4|"^D.S. al Fine"F4|`, 'C4*4 D4*4 E4*4 F4*4 D4*4 E4*4'],
  ['a coda', `${HEAD}C4|D4!coda!|E4!D.C.!|!coda!F4|`, 'C4*4 D4*4 E4*4 C4*4 D4*4 F4*4'],
  ['an order of parts', 'X:1\nT:t\nP:A2B\nL:1/4\nK:C\nP:A\nCD|\nP:B\nEF|', 'C4 D4 C4 D4 E4 F4'],
  ['chord symbols and words are not played', `${HEAD}"Am"C "^slow"D "G7"E|`, 'C4 D4 E4'],
  [
    'drums and drones are not played',
    'X:1\nT:t\nL:1/4\n%%MIDI drum d2 35\n%%MIDI gchordon\nK:C\n%%MIDI droneon\nCD|',
    'C4 D4',
  ],
  [
    'ornaments are not played out',
    'X:1\nT:t\nm:~n2 = (3n/o/n/ m/4n5/4\nL:1/4\nK:C\n~C2 TD .E|',
    'C4*2 D4 E4',
  ],
  [
    'two voices by lines',
    'X:1\nT:t\nL:1/4\nK:C\nV:1\nCD|EF|\nV:2\nC,2|E,2|\nV:1\nG2|\n',
    'C4 D4 E4 F4 G4*2 / C3*2 E3*2',
  ],
  [
    'two voices inline',
    'X:1\nT:t\nL:1/4\nK:C\n[V:1]CD|[V:2]C,2|\n[V:1]EF|[V:2]E,2|',
    'C4 D4 E4 F4 / C3*2 E3*2',
  ],
  [
    'voices declared in the head',
    'X:1\nT:t\nL:1/4\nV:T clef=treble\nV:B clef=bass name="Low"\nK:C\nV:B\nC,2|\nV:T\nCD|',
    'C4 D4 / C3*2',
  ],
  ['overlays', `${HEAD}CDEF & G,4|A4|c2d2 & E4|`, 'C4 D4 E4 F4 A4*4 C5*2 D5*2 / G3*4 -*4 E4*4'],
  [
    'octave clefs move, others do not',
    'X:1\nT:t\nL:1/4\nK:C clef=treble-8\nC|[K:clef=bass]C|[K:clef=treble+8]C|',
    'C3 C4 C5',
  ],
  [
    'octave and transposition',
    'X:1\nT:t\nL:1/4\nV:1 octave=1\nV:2 transpose=-2\nK:C\nV:1\nC|\nV:2\nC|',
    'C5 / A#3',
  ],
  ['transposition inside a piece', `${HEAD}C|\n%%MIDI transpose 3\nC|`, 'C4 D#4'],
  ['old line breaks', `${HEAD}CD!\nEF*\nG2|`, 'C4 D4 E4 F4 G4*2'],
  ['line continuation', `${HEAD}CD\\\nEF|`, 'C4 D4 E4 F4'],
  ['comments', `${HEAD}CD % then two more |: c\n% nothing\nEF|`, 'C4 D4 E4 F4'],
  ['free time, one long bar', 'X:1\nT:t\nM:none\nL:1/4\nK:C\nCDEFGABc', 'C4 D4 E4 F4 G4 A4 B4 C5'],
  ['unit by the metre', 'X:1\nT:t\nM:2/4\nK:C\nCC|', 'C4*1/4 C4*1/4'],
  ['no head at all', 'CDEF|', 'C4*1/2 D4*1/2 E4*1/2 F4*1/2'],
];

test.each(FILES)('%s', (_, text, expected) => {
  expect(sounds(read(text).song)).toBe(expected);
});

test('a book: what stands at its head counts for every tune, and each stands alone', () => {
  const book = `M:3/4
L:1/4
%%propagate-accidentals octave

X:1
T:One
K:G
F3|

some words between

X:2
T:Two
M:2/4
K:C
^F f|
X:7
T:Three
K:F
B3-|`;
  const songs = readAbc(book).map((tune) => expectOk(tune).song);
  expect(songs.map((song) => song.title)).toEqual(['One', 'Two', 'Three']);
  expect(songs.map((song) => sounds(song))).toEqual(['F#4*3', 'F#4 F5', 'A#4*3']);
  expect(songs.map((song) => song.metres)).toEqual([
    [{ at: 0, count: 3, unit: 4 }],
    [{ at: 0, count: 2, unit: 4 }],
    [{ at: 0, count: 3, unit: 4 }],
  ]);
});

test('what a tune is called, how fast it goes, what is sung, and which chords it has', () => {
  const { song, remarks } = read(
    `X:3
T:The trial
T:The other trial
C:Nobody
R:Jig
O:Nowhere
M:6/8
L:1/8
Q:3/8=100
K:Em
"Em"EFG "D"A2B|"G7"d6|
w:one two-three four * | five
w:uno dos tres`,
  );
  expect(song).toMatchObject({ title: 'The trial', composer: 'Nobody', source: 'Nowhere', tags: ['jig'] });
  expect(remarks.map(({ text }) => text)).toEqual(['Also called “The other trial”.']);
  expect(song.keys).toEqual([{ at: 0, tonic: { letter: 'E', accidental: 0 }, scale: 'natural-minor' }]);
  expect(song.tempos).toEqual([{ at: 0, beat: 7560, perMinute: 100 }]);
  expect(song.chords).toEqual([
    { at: 0, symbol: 'Em' },
    { at: 7560, symbol: 'D' },
    { at: 15120, symbol: 'G7' },
  ]);
  const sung = song.parts[0]!.voices[0]!.notes.map(({ lyrics = [] }) =>
    lyrics.map((syllable) => syllable && syllable.text + (syllable.hyphen ? '-' : '')),
  );
  expect(sung).toEqual([['one', 'uno'], ['two-', 'dos'], ['three', 'tres'], ['four'], [], ['five']]);
});

test('tells where it could not follow, by line and column of the file', () => {
  const [first, second] = readAbc('X:1\nT:a\nK:C\nCDEF|\n\nX:2\nT:b\nK:C\nCD?EF|');
  expect(expectOk(first!).remarks).toEqual([]);
  expect(expectOk(second!).remarks).toEqual([
    { text: expect.stringContaining('Unknown character'), line: 9, column: 3 },
  ]);
});

test('bytes of old files', () => {
  const latin = Uint8Array.from([...'X:1\r\nT:Caf\xe9\r\nK:C\r\nC|'].map((c) => c.charCodeAt(0)));
  expect(read(textOf(latin)).song.title).toBe('Café');
  expect(read("X:1\nT:Caf\\'e &amp; co\nK:C\nC|").song.title).toBe('Café & co');
});

test('nothing, and nearly nothing', () => {
  for (const text of ['', '\n\n', 'X:1', 'X:1\nT:t\nK:C\n', 'X:1\nK:C\n|||\n', '?'])
    expect(readAbc(text)[0]).toMatchObject({ ok: false });
});

test.each([
  ['6/8', 'C|CDE FGA|B3 cde|', 'C | CDE FGA | B3 cde |'],
  ['9/8', 'CDE FGA Bcd|', 'CDE FGA Bcd |'],
  ['3/8', 'C|CDE|', 'C | CDE |'],
  ['3/4', 'CD|CDEFGA|', 'CD | CD EF GA |'],
  ['12/8', 'c|CDE FGA Bcd efg|', 'c | CDE FGA Bcd efg |'],
])(
  'in %s eighths are written together by the beat, a pickup counted back from its bar line',
  (metre, abc, wanted) => {
    const { song } = expectOk(readAbc(`X:1\nT:t\nM:${metre}\nL:1/8\nK:C\n${abc}\n`)[0]!);
    const written = (writeFile(song, 'abc') as string).split('K:C\n')[1]!;
    expect(
      written
        .replace(/\s+/g, ' ')
        .replace(/ *\|\]? *$/, ' |')
        .trim(),
    ).toBe(wanted);
  },
);
