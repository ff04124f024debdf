import { expectOk } from '@same-song/core';
import { readMidi } from '../src/index.ts';
import { heard, sounds } from './sounds.ts';

type Event = readonly [delta: number, ...bytes: readonly number[]];

const SEMITONES: Readonly<Record<string, number>> = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 };
const big = (value: number, size: number) =>
  Array.from({ length: size }, (_, i) => (value >> (8 * (size - 1 - i))) & 0xff);
const letters = (text: string) => [...text].map((c) => c.charCodeAt(0));
const variable = (value: number): number[] =>
  value < 128 ? [value] : [...variable(value >> 7).map((b) => b | 0x80), value & 0x7f];
const meta = (delta: number, type: number, ...bytes: readonly number[]): Event => [
  delta,
  0xff,
  type,
  bytes.length,
  ...bytes,
];
const named = (name: string) => meta(0, 3, ...letters(name));
const END = meta(0, 0x2f);
const metre = (delta: number, count: number, power: number) => meta(delta, 0x58, count, power, 24, 8);
const key = (fifths: number, minor = 0) => meta(0, 0x59, fifths & 0xff, minor);
const tempo = (delta: number, perMinute: number) => meta(delta, 0x51, ...big(Math.round(6e7 / perMinute), 3));

function chunk(events: readonly Event[]): number[] {
  const bytes = events.flatMap(([delta, ...rest]) => [...variable(delta), ...rest]);
  return [...letters('MTrk'), ...big(bytes.length, 4), ...bytes];
}
const file = (tracks: readonly (readonly Event[])[], { format = 1, perQuarter = 96 } = {}) =>
  Uint8Array.from([
    ...letters('MThd'),
    ...big(6, 4),
    ...big(format, 2),
    ...big(tracks.length, 2),
    ...big(perQuarter, 2),
    ...tracks.flatMap(chunk),
  ]);

/** Notes one after the other as in `C4 F#4*1/2 - E4*3`, in 96 to a quarter. */
function line(text: string, channel = 0): Event[] {
  let silence = 0;
  return text.split(' ').flatMap((token): Event[] => {
    const [pitch = '', length = '1'] = token.split('*');
    const [over, under = '1'] = length.split('/');
    const ticks = Math.round((96 * Number(over)) / Number(under));
    const before = silence;
    silence = 0;
    if (pitch === '-') {
      silence = before + ticks;
      return [];
    }
    const [, letter, sharp, octave] = /^([A-G])(#?)(\d)$/.exec(pitch)!;
    const number = SEMITONES[letter!]! + (sharp ? 1 : 0) + 12 * (Number(octave) + 1);
    return [
      [before, 0x90 + channel, number, 80],
      [ticks, 0x80 + channel, number, 0],
    ];
  });
}
const on = (delta: number, pitch: number, channel = 0): Event => [delta, 0x90 + channel, pitch, 80];
const off = (delta: number, pitch: number, channel = 0): Event => [delta, 0x80 + channel, pitch, 0];
const one = (...events: readonly Event[]) => file([[...events, END]]);
const four = metre(0, 4, 2);

/** Each holds one difficulty: what is heard and, where that is not the same, how it is written. */
const FILES: readonly (readonly [name: string, bytes: Uint8Array, heard: string, written?: string])[] = [
  ['plain notes', one(four, ...line('C4 D4 E4*2')), 'C4 D4 E4*2'],
  [
    'type 0 with its facts in the one track',
    file([[named('Trial'), four, key(1), ...line('G4 A4'), END]], { format: 0 }),
    'G4 A4',
  ],
  [
    'type 1 with a track of facts',
    file([
      [named('Trial'), four, END],
      [...line('C4 D4'), END],
    ]),
    'C4 D4',
  ],
  [
    'two tracks',
    file([
      [four, ...line('C5*4'), END],
      [...line('C3*4', 1), END],
    ]),
    'C5*4 / C3*4',
  ],
  [
    'type 0 with two channels',
    file([[four, on(0, 72), on(0, 48, 1), off(96, 72), off(0, 48, 1), END]], { format: 0 }),
    'C5 / C3',
  ],
  [
    'percussion is no part of it',
    file([
      [four, ...line('C4 D4'), END],
      [...line('C2*1/2 C2*1/2', 9), END],
    ]),
    'C4 D4',
  ],
  ['a note ended by a note of no force', one(four, on(0, 60), [96, 0x90, 60, 0]), 'C4'],
  ['running status', one(four, on(0, 60), [96, 60, 0], [0, 62, 80], [96, 62, 0]), 'C4 D4'],
  [
    'running status through a text',
    one(four, on(0, 60), off(96, 60), meta(0, 1, 65), on(0, 62), off(96, 62)),
    'C4 D4',
  ],
  ['silence at the start is kept', one(four, ...line('- - C4 D4')), '-*2 C4 D4'],
  ['silence in the middle', one(four, ...line('C4 -*2 D4')), 'C4 -*2 D4'],
  [
    'eighths and sixteenths',
    one(four, ...line('C4*1/2 D4*1/2 E4*1/4 F4*1/4 G4*1/4 A4*1/4')),
    'C4*1/2 D4*1/2 E4*1/4 F4*1/4 G4*1/4 A4*1/4',
  ],
  ['dotted pairs', one(four, ...line('C4*3/4 D4*1/4 E4*3/4 F4*1/4')), 'C4*3/4 D4*1/4 E4*3/4 F4*1/4'],
  ['triplets', one(four, ...line('C4*1/3 D4*1/3 E4*1/3 F4')), 'C4*1/3 D4*1/3 E4*1/3 F4'],
  ['triplets of quarters', one(four, ...line('C4*2/3 D4*2/3 E4*2/3 F4*2')), 'C4*2/3 D4*2/3 E4*2/3 F4*2'],
  ['thirty-seconds', one(four, ...line('C4*1/8 D4*1/8 E4*1/4 F4*1/2 G4')), 'C4*1/8 D4*1/8 E4*1/4 F4*1/2 G4'],
  ['a jig', one(metre(0, 6, 3), ...line('C4*1/2 D4*1/2 E4*1/2 F4 G4*1/2')), 'C4*1/2 D4*1/2 E4*1/2 F4 G4*1/2'],
  ['two in the time of three', one(metre(0, 6, 3), ...line('C4*3/4 D4*3/4 E4*3/2')), 'C4*3/4 D4*3/4 E4*3/2'],
  ['over the bar line', one(four, ...line('C4*3 D4*2 E4*3')), 'C4*3 D4*2 E4*3'],
  ['over two bar lines', one(metre(0, 2, 2), ...line('C4 D4*4 E4')), 'C4 D4*4 E4'],
  ['a chord', one(four, on(0, 60), on(0, 64), on(0, 67), off(192, 60), off(0, 64), off(0, 67)), 'C4+E4+G4*2'],
  [
    'notes that overlap',
    one(four, on(0, 60), on(96, 64), off(96, 60), off(96, 64)),
    'C4*2 E4*2',
    'C4*2 / - E4*2',
  ],
  [
    'the same pitch again before it ended',
    one(four, on(0, 60), on(96, 60), off(48, 60), off(48, 60)),
    'C4*3/2 C4',
    'C4*3/2 / - C4',
  ],
  [
    'played a little early and late',
    one(four, on(2, 60), off(90, 60), on(8, 62), off(92, 62), on(0, 64), off(92, 64)),
    '-*1/48 C4*15/16 -*1/12 D4*23/24 E4*23/24',
    'C4 D4 E4',
  ],
  [
    'cut short before the next',
    one(four, on(0, 60), off(60, 60), on(36, 62), off(60, 62)),
    'C4*5/8 -*3/8 D4*5/8',
    'C4 D4*1/2',
  ],
  [
    'swung eighths',
    one(four, ...line('C4*2/3 D4*1/3 E4*2/3 F4*1/3 G4*2/3 A4*1/3 B4*2/3 C5*1/3')),
    'C4*2/3 D4*1/3 E4*2/3 F4*1/3 G4*2/3 A4*1/3 B4*2/3 C5*1/3',
    'C4*1/2 D4*1/2 E4*1/2 F4*1/2 G4*1/2 A4*1/2 B4*1/2 C5*1/2',
  ],
  [
    'a few long-short pairs are triplets, not swing',
    one(four, ...line('C4*2/3 D4*1/3 E4*1/2 F4*1/2 G4*2')),
    'C4*2/3 D4*1/3 E4*1/2 F4*1/2 G4*2',
  ],
  [
    'a metre that changes',
    one(four, ...line('C4*4'), metre(0, 3, 2), ...line('D4*3 E4*3')),
    'C4*4 D4*3 E4*3',
  ],
  [
    'a metre that changes within a bar',
    one(four, ...line('C4*2'), metre(0, 3, 2), ...line('D4*3')),
    'C4*2 D4*3',
  ],
  ['several tempos', one(four, tempo(0, 120), ...line('C4'), tempo(0, 60), ...line('D4')), 'C4 D4'],
  ['no metre and no key', one(...line('C4 D4 E4 F4')), 'C4 D4 E4 F4'],
  ['a note that nobody ends', one(four, on(0, 60), off(96, 60), on(0, 62), meta(96, 1, 65)), 'C4 D4'],
  ['an end without a note', one(four, off(0, 60), on(0, 62), off(96, 62)), 'D4'],
  ['a note of no length', one(four, on(0, 60), off(0, 60), on(0, 62), off(96, 62)), 'D4'],
  ['a file that ends early', one(four, ...line('C4 D4 E4')).subarray(0, -10), 'C4 D4'],
  ['system messages between', one(four, [0, 0xf0, 3, 1, 2, 0xf7], ...line('C4')), 'C4'],
  [
    'controls, programs, pitch wheel',
    one(four, [0, 0xc0, 5], [0, 0xb0, 7, 100], [0, 0xe0, 0, 64], [0, 0xd0, 5], ...line('C4')),
    'C4',
  ],
  [
    'a chunk of another kind between',
    Uint8Array.from([
      ...file([]),
      ...letters('XFIH'),
      ...big(2, 4),
      1,
      2,
      ...chunk([four, ...line('C4'), END]),
    ]),
    'C4',
  ],
  [
    'in a wrapper',
    Uint8Array.from([
      ...letters('RIFF'),
      0,
      0,
      0,
      0,
      ...letters('RMID'),
      ...letters('data'),
      0,
      0,
      0,
      0,
      ...one(four, ...line('C4')),
    ]),
    'C4',
  ],
  [
    'other ticks to the quarter',
    file(
      [
        [
          metre(0, 4, 2),
          on(0, 60),
          off(480, 60),
          on(0, 62),
          off(160, 62),
          on(0, 64),
          off(160, 64),
          on(0, 65),
          off(160, 65),
          END,
        ],
      ],
      { perQuarter: 480 },
    ),
    'C4 D4*1/3 E4*1/3 F4*1/3',
  ],
  [
    'a long file of one beat each',
    one(four, ...line('C4 D4 E4 F4 G4 A4 B4 C5 D5')),
    'C4 D4 E4 F4 G4 A4 B4 C5 D5',
  ],
];

const read = (bytes: Uint8Array) => expectOk(readMidi(bytes));

test.each(FILES.map(([name, ...rest]) => [name, rest] as const))(
  '%s',
  (_, [bytes, expected, written = expected]) => {
    const { song, heard: found = [] } = read(bytes);
    const pitched = found.filter(({ percussion }) => !percussion);
    const voices = [...new Set(pitched.map(({ voice }) => voice))].map((voice) =>
      heard(
        pitched
          .filter((n) => n.voice === voice)
          .map((n) => ({ ...n, onset: Math.round(n.start * 5040), length: Math.round(n.length * 5040) })),
      ),
    );
    expect(voices.join(' / ')).toBe(expected);
    expect(sounds(song)).toBe(written);
  },
);

test('keys, metres, tempos, names and what is sung', () => {
  const { song } = read(
    file([
      [named('The trial'), metre(0, 3, 2), key(-3, 1), tempo(0, 100), tempo(96 * 3, 80), END],
      [named('Bass'), ...line('C2*3 G2*3', 1), END],
      [
        named('Voice'),
        meta(0, 5, ...letters('la-')),
        ...line('C4'),
        meta(0, 5, ...letters('na')),
        ...line('D4 D#4 G4*3'),
        END,
      ],
    ]),
  );
  expect(song.title).toBe('The trial');
  expect(song.keys).toEqual([{ at: 0, tonic: { letter: 'C', accidental: 0 }, scale: 'natural-minor' }]);
  expect(song.metres).toEqual([{ at: 0, count: 3, unit: 4 }]);
  expect(song.tempos).toEqual([
    { at: 0, beat: 5040, perMinute: 100 },
    { at: 15120, beat: 5040, perMinute: 80 },
  ]);
  expect(song.parts.map(({ name }) => name)).toEqual(['Bass', 'Voice']);
  const melody = song.parts[1]!.voices[0]!;
  expect(song.melody).toBe(melody.id);
  expect(melody.notes.map(({ pitch }) => pitch.letter + (pitch.accidental < 0 ? 'b' : ''))).toEqual([
    'C',
    'D',
    'Eb',
    'G',
  ]);
  expect(melody.notes.slice(0, 2).map(({ lyrics }) => lyrics?.[0])).toEqual([
    { text: 'la', hyphen: true },
    { text: 'na' },
  ]);
});

test('guesses a key and a metre where none is given, and says so', () => {
  const waltz = read(one(...line('G4*2 B4 D5*2 B4 C5*2 A4 F#4*2 D4 G4*2 B4 G4*3')));
  expect(waltz.song.metres).toEqual([{ at: 0, count: 3, unit: 4 }]);
  expect(waltz.song.keys).toEqual([{ at: 0, tonic: { letter: 'G', accidental: 0 }, scale: 'major' }]);
  const minor = read(one(four, ...line('A4 C5 E5 D5 C5 B4 A4*2 E4 F4 G4 E4 A4*4')));
  expect(minor.song.keys).toEqual([{ at: 0, tonic: { letter: 'A', accidental: 0 }, scale: 'natural-minor' }]);
  const said = waltz.remarks.map(({ text }) => text).join(' ');
  expect(said).toContain('No metre is given; 3/4 is a guess.');
  expect(said).toContain('No key is given');
  expect(said).toContain('a guess from how it was played');
});

test('writes triplets as tuplets', () => {
  const { song } = read(one(four, ...line('C4 D4*1/3 E4*1/3 F4*1/3 G4*2')));
  expect(song.parts[0]!.voices[0]!.tuplets).toEqual([{ onset: 5040, length: 5040, actual: 3, normal: 2 }]);
});

test('what is damaged is read up to there, and said', () => {
  const bytes = one(four, ...line('C4 D4'), [0, 0xff, 0x51, 1, 0], ...line('E4'));
  const { song, remarks } = read(bytes);
  expect(sounds(song)).toBe('C4 D4');
  expect(remarks.map(({ text }) => text)).toContain('Track 1 is damaged; what stands before is read.');
});

test.each([
  ['nothing', new Uint8Array(), 'MThd'],
  ['another file', Uint8Array.from(letters('hello world, no music here')), 'MThd'],
  ['patterns', file([], { format: 2 }), 'type 2'],
  ['no notes', one(four), 'no notes with a pitch'],
  ['only percussion', one(four, ...line('C2', 9)), 'no notes with a pitch'],
  ['no length of a quarter', file([[END]], { perQuarter: 0 }), 'no length'],
])('%s is refused with a sentence', (_, bytes, message) => {
  const result = readMidi(bytes);
  expect(result.ok ? '' : result.problems[0]!.message).toContain(message);
});
