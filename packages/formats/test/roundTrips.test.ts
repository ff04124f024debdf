import { expectOk } from '@same-song/core';
import { played, type Song } from '@same-song/core/song';
import fc from 'fast-check';
import {
  readAbc,
  readJson,
  readMidi,
  readMusicXml,
  writeAbc,
  writeJson,
  writeMidi,
  writeMusicXml,
} from '../src/index.ts';
import { anySong } from './anySong.ts';

/** What a song is, whatever its notes, parts and voices are called. */
function essence(song: Song) {
  const { keys, metres, tempos, chords, bars, title, composer } = song;
  return {
    title,
    composer,
    keys,
    metres,
    tempos,
    chords,
    bars: bars.map((bar) => ({ ...bar, doubleLine: undefined })),
    voices: song.parts.flatMap(({ voices }) =>
      voices.map(({ notes, tuplets }) => ({ notes: notes.map((note) => ({ ...note, id: '' })), tuplets })),
    ),
  };
}

const heard = (song: Song) =>
  played(song)
    .notes.map(({ pitch, onset, length }) => `${onset} ${pitch} ${length}`)
    .sort();

test('JSON gives the same song back', () => {
  fc.assert(
    fc.property(anySong, (song) => expect(expectOk(readJson(writeJson(song)))).toEqual(song)),
    { numRuns: 50 },
  );
});

test('ABC gives the same song back', () => {
  fc.assert(
    fc.property(anySong, (song) => {
      const abc = writeAbc(song);
      const { song: back, remarks } = expectOk(readAbc(abc)[0]!);
      expect(remarks).toEqual([]);
      expect(heard(back)).toEqual(heard(song));
      expect(essence(back)).toEqual(essence(song));
      expect(abc).not.toMatch(/\/[35679]/);
    }),
    { numRuns: 200 },
  );
});

test('MusicXML gives the same song back', () => {
  fc.assert(
    fc.property(anySong, (song) => {
      const { song: back, remarks } = expectOk(readMusicXml(writeMusicXml(song)));
      expect(remarks).toEqual([]);
      expect(heard(back)).toEqual(heard(song));
      expect(essence(back)).toEqual(essence(song));
    }),
    { numRuns: 200 },
  );
});

test('MIDI gives back what sounds', () => {
  fc.assert(
    fc.property(anySong, (song) => {
      const { heard: back = [] } = expectOk(readMidi(writeMidi(song)));
      const times = back.map(
        ({ pitch, start, length }) => `${Math.round(start * 5040)} ${pitch} ${Math.round(length * 5040)}`,
      );
      expect(times.sort()).toEqual(heard(song));
    }),
    { numRuns: 100 },
  );
});
