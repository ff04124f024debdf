/** What is written of notes that begin together: their words, their tuplets, a book of several tunes, a zip of several files. */
import { strToU8, zipSync } from 'fflate';
import { expectOk } from '@same-song/core';
import { families, openInstrument, specFromPreset } from '@same-song/core/instruments';
import { QUARTER } from '@same-song/core/music';
import { defaultPreferences } from '@same-song/core/route';
import { plainPlan, songView, type Song } from '@same-song/core/song';
import { readAbc, readFile, readMusicXml, writeAbc, writeMusicXml } from '../src/index.ts';
import { note, one } from './scoreText.ts';

const abc = (text: string): Song => expectOk(readAbc(text)[0]!).song;
const FORMATS = [
  ['ABC', (song: Song) => abc(writeAbc(song))],
  ['MusicXML', (song: Song) => expectOk(readMusicXml(writeMusicXml(song))).song],
] as const;

/** Each syllable with the time of the note under which it stands. */
const sung = (song: Song) =>
  song.parts.flatMap(({ voices }) =>
    voices.flatMap(({ notes }) =>
      notes.flatMap(({ onset, lyrics = [] }) => lyrics.map((syllable) => `${onset} ${syllable?.text ?? ''}`)),
    ),
  );

test.each(FORMATS)('words that belong to any note of a chord are written in %s', (_, back) => {
  const plain = abc('X:1\nT:Two\nM:4/4\nL:1/4\nK:C\n[CE] [DF] [EG] [FA]|');
  const [part] = plain.parts;
  const [voice] = part!.voices;
  // To the upper note of each, as it is chosen on the staff.
  const notes = voice!.notes.map((one, i) =>
    i % 2 === 1 ? { ...one, lyrics: [{ text: `la${i}` }, { text: `lo${i}` }] } : one,
  );
  const song: Song = { ...plain, parts: [{ ...part!, voices: [{ ...voice!, notes }] }] };
  expect(sung(back(song))).toEqual(sung(song));
  expect(sung(song)).toHaveLength(8);
});

test.each(FORMATS)('what is added under a triplet is written as a triplet in %s', (_, back) => {
  const song = abc('X:1\nT:Three\nM:4/4\nL:1/4\nK:C\n"C"(3ceg "G7"(3fdB|"C"c4|');
  const harp = expectOk(openInstrument(specFromPreset('harp', families.harp.presets[0]!.id)));
  const plan = {
    ...plainPlan(families.harp),
    preferences: defaultPreferences(families.harp),
    adds: { style: 'chords', fullness: 'full', without: [] },
  } as const;
  const played = songView(harp, song, plan, { naming: 'key', dialect: 'notes' }).song;
  const added = (of: Song) => of.parts.at(-1)!.voices[0]!;
  // Two quarters each, three notes in the time of two.
  const two = { length: 2 * QUARTER, actual: 3, normal: 2 };
  expect(added(played).tuplets).toEqual([
    { onset: 0, ...two },
    { onset: 2 * QUARTER, ...two },
  ]);
  const times = (of: Song) => added(of).notes.map(({ onset, length, pitch }) => [onset, length, pitch]);
  const again = back(played);
  expect(times(again)).toEqual(times(played));
  expect(added(again).tuplets).toEqual(added(played).tuplets);
});

test('only the score of a compressed file is unfolded, however many others lie beside it', () => {
  const music = strToU8(one(note('C4', 4)));
  const container = strToU8('<container><rootfiles><rootfile full-path="song.xml"/></rootfiles></container>');
  const bytes = zipSync({
    'META-INF/container.xml': container,
    'a.xml': strToU8('x'.repeat(5000)),
    'song.xml': music,
  });
  // The contents of the first file are damaged: whoever unfolds it fails.
  const name = String.fromCharCode(...bytes).indexOf('a.xml');
  bytes.fill(0xff, name + 5, name + 15);
  const read = expectOk(readFile('song.mxl', bytes));
  expect(read.songs[0]!.song.parts[0]!.voices[0]!.notes).toHaveLength(1);
});

test.each([
  ['score', { 'song.xml': new Uint8Array(41_000_000) }, 'larger than 40 MB'],
  ['nothing', { 'picture.png': new Uint8Array(10) }, 'no score'],
])('a compressed file with %s that cannot be read is refused with its reason', (_, files, reason) => {
  const read = readFile('song.mxl', zipSync(files, { level: 1 }));
  expect(read).toMatchObject({ ok: false, problems: [{ message: expect.stringContaining(reason) }] });
});
