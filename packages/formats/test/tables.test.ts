/** Tables that formats are read and written by, row by row; every figure was worked out by hand. */
import { expectOk } from '@same-song/core';
import { noteText, QUARTER } from '@same-song/core/music';
import type { Song } from '@same-song/core/song';
import { parseMidi } from 'midi-file';
import { losses, readAbc, readMusicXml, writeAbc, writeMidi, writeMusicXml } from '../src/index.ts';
import { measures, score, START, whole } from './scoreText.ts';
import { sounds } from './sounds.ts';

const abc = (text: string): Song => expectOk(readAbc(text)[0]!).song;
const xml = (text: string): Song => expectOk(readMusicXml(text)).song;
const keyOf = ({ keys: [key] }: Song) => `${noteText(key!.tonic)} ${key!.scale}`;

/** The seven modes whose signature has two sharps. */
const TWO_SHARPS = [
  ['D', 'maj', 'major', 'D major'],
  ['D', 'ion', 'ionian', 'D major'],
  ['E', 'dor', 'dorian', 'E dorian'],
  ['F#', 'phr', 'phrygian', 'F♯ phrygian'],
  ['G', 'lyd', 'lydian', 'G lydian'],
  ['A', 'mix', 'mixolydian', 'A mixolydian'],
  ['B', 'min', 'minor', 'B natural-minor'],
  ['B', 'aeo', 'aeolian', 'B natural-minor'],
  ['C#', 'loc', 'locrian', 'C♯ locrian'],
] as const;

/** Signatures by their sharps, flats below none, with the major and the minor key of each. */
const SIGNATURES = [
  [-7, 'C♭', 'A♭'],
  [-6, 'G♭', 'E♭'],
  [-5, 'D♭', 'B♭'],
  [-4, 'A♭', 'F'],
  [-3, 'E♭', 'C'],
  [-2, 'B♭', 'G'],
  [-1, 'F', 'D'],
  [0, 'C', 'A'],
  [1, 'G', 'E'],
  [2, 'D', 'B'],
  [3, 'A', 'F♯'],
  [4, 'E', 'C♯'],
  [5, 'B', 'G♯'],
  [6, 'F♯', 'D♯'],
  [7, 'C♯', 'A♯'],
] as const;

describe.each(TWO_SHARPS)('%s %s', (tonic, short, long, key) => {
  test.each([short, short.toUpperCase(), long])('in ABC as K:%s has two sharps', (mode) => {
    const song = abc(`X:1\nT:t\nL:1/4\nK:${tonic}${mode}\nF c G|`);
    expect(keyOf(song)).toBe(key);
    expect(sounds(song)).toBe('F#4 C#5 G4');
    // It comes back as it was written.
    expect(keyOf(abc(writeAbc(song)))).toBe(key);
    expect(sounds(abc(writeAbc(song)))).toBe('F#4 C#5 G4');
  });

  test('in MusicXML by its two sharps and its mode, and written so', () => {
    const signed = `<key><fifths>2</fifths><mode>${long}</mode></key>`;
    const song = xml(score({ P1: measures(START.replace(/<key>.*<\/key>/u, signed) + whole('F#4')) }));
    expect(keyOf(song)).toBe(key);
    expect(writeMusicXml(song)).toMatch(/<fifths>2<\/fifths>/u);
    expect(keyOf(xml(writeMusicXml(song)))).toBe(key);
  });
});

test.each(SIGNATURES)('a signature of %d is %s major and %s minor', (fifths, major, minor) => {
  const of = (mode: string) =>
    keyOf(
      xml(
        score({
          P1: measures(
            START.replace(/<key>.*<\/key>/u, `<key><fifths>${fifths}</fifths><mode>${mode}</mode></key>`) +
              whole('C4'),
          ),
        }),
      ),
    );
  expect([of('major'), of('minor')]).toEqual([`${major} major`, `${minor} natural-minor`]);
});

test.each([
  ['treble', 'C4'],
  ['treble+8', 'C5'],
  ['treble^8', 'C5'],
  ['treble-8', 'C3'],
  ['treble_8', 'C3'],
  ['bass', 'C4'],
  ['bass-8', 'C3'],
  ['alto', 'C4'],
  ['treble+15', 'C6'],
  ['bass-15', 'C2'],
])('in ABC under clef=%s a C sounds as %s', (clef, sounding) => {
  expect(sounds(abc(`X:1\nT:t\nL:1/1\nK:C clef=${clef}\nC|`))).toBe(`${sounding}*4`);
});

test.each([
  // A dotted quarter 104 times a minute is 156 quarters a minute.
  ['6/8', '3/8=104', 384_615],
  ['9/8', '3/8=60', 666_667],
  ['12/8', '3/8=80', 500_000],
  ['4/4', '1/4=120', 500_000],
  ['2/2', '1/2=60', 500_000],
  ['3/8', '1/8=180', 666_667],
])('in MIDI a tune in %s at %s has its quarters after %d µs', (metre, tempo, microseconds) => {
  const song = abc(`X:1\nT:t\nM:${metre}\nL:1/8\nQ:${tempo}\nK:C\nC|`);
  const { tracks } = parseMidi(writeMidi(song));
  const found = tracks
    .flat()
    .flatMap((event) => (event.type === 'setTempo' ? [event.microsecondsPerBeat] : []));
  expect(found).toEqual([microseconds]);
});

test('a length that no single sign has is written with two and sounds as one', () => {
  // Five eighths: a half and an eighth; seven eighths have two dots.
  const song = abc('X:1\nT:t\nM:6/8\nL:1/8\nK:C\nC5D|E4F2|\n');
  expect(sounds(song)).toBe('C4*5/2 D4*1/2 E4*2 F4');
  for (const again of [abc(writeAbc(song)), xml(writeMusicXml(song))])
    expect(sounds(again)).toBe('C4*5/2 D4*1/2 E4*2 F4');
  const notes = [...writeMusicXml(song).matchAll(/<duration>(\d+)<\/duration>/gu)].map(([, ticks]) =>
    Number(ticks),
  );
  expect(notes).toHaveLength(5);
  expect(notes[0]! + notes[1]!).toBe(5 * notes[2]!);
});

test('a repeat of three is played three times and written so in MusicXML; that ABC has it twice is told', () => {
  const song = abc('X:1\nT:t\nL:1/4\nK:C\n|::CDEF::|G4|\n');
  const once = 'C4 D4 E4 F4';
  expect(song.bars[0]).toMatchObject({ length: 4 * QUARTER, repeatEnd: 3 });
  expect(sounds(song)).toBe(`${once} ${once} ${once} G4*4`);
  expect(writeMusicXml(song)).toContain('times="3"');
  expect(sounds(xml(writeMusicXml(song)))).toBe(`${once} ${once} ${once} G4*4`);
  expect(sounds(abc(writeAbc(song)))).toBe(`${once} ${once} G4*4`);
  const told = 'What is played three times or more is written as played twice.';
  expect(losses(song, 'abc')).toContain(told);
  expect(losses(song, 'musicxml')).not.toContain(told);
  const twice = abc('X:1\nT:t\nL:1/4\nK:C\n|:CDEF:|G4|\n');
  expect(losses(twice, 'abc')).not.toContain(told);
});

test('a triplet and a dotted pair stay what they are', () => {
  const song = abc('X:1\nT:t\nL:1/8\nK:C\n(3CDE F>G A<B|\n');
  const written = 'C4*1/3 D4*1/3 E4*1/3 F4*3/4 G4*1/4 A4*1/4 B4*3/4';
  expect([sounds(song), sounds(abc(writeAbc(song))), sounds(xml(writeMusicXml(song)))]).toEqual([
    written,
    written,
    written,
  ]);
  expect(writeMusicXml(song).match(/<actual-notes>3<\/actual-notes>/gu)).toHaveLength(3);
});

test('of a second voice and a second verse nothing is lost', () => {
  const song = abc(
    'X:1\nT:t\nL:1/4\nK:C\nV:1\nc d e f|\nw: one two three four\nw: five six sev- en\nV:2\nC2 G,2|\n',
  );
  for (const again of [song, abc(writeAbc(song)), xml(writeMusicXml(song))]) {
    expect(sounds(again)).toBe('C5 D5 E5 F5 / C4*2 G3*2');
    const [first] = again.parts.flatMap(({ voices }) => voices);
    expect(first!.notes.map(({ lyrics }) => lyrics?.map((one) => one?.text))).toEqual([
      ['one', 'five'],
      ['two', 'six'],
      ['three', 'sev'],
      ['four', 'en'],
    ]);
    expect(first!.notes[2]!.lyrics![1]).toEqual({ text: 'sev', hyphen: true });
  }
});
