import { songOf } from '../../test/samples/song.ts';
import { expectOk } from '../result.ts';
import { checkSong } from './checkSong.ts';
import { melodyOf, type Song, type SongNote, type Tuplet } from './song.ts';

const song = songOf('C4 D4 E4 F4 | G4*4');
const withVoice = (notes: readonly unknown[], tuplets: readonly unknown[] = []) => ({
  ...song,
  parts: [{ ...song.parts[0]!, voices: [{ id: 'v1', notes, tuplets }] }],
});
const note = (changes: Partial<SongNote> = {}): SongNote => ({
  ...melodyOf(song).voice.notes[0]!,
  ...changes,
});
const tuplet = (onset: number, length: number): Tuplet => ({ onset, length, actual: 3, normal: 2 });

test('a sound song is taken as it is, whatever order its lists stand in', () => {
  expect(expectOk(checkSong(JSON.parse(JSON.stringify(song))))).toEqual(song);
  const turned = withVoice([...melodyOf(song).voice.notes].reverse());
  expect(expectOk(checkSong(turned))).toEqual(song);
});

test.each<readonly [string, unknown, string, string]>([
  ['nothing', null, '', 'An object with fields'],
  ['a field that is none', { ...song, colour: 'red' }, 'colour', 'no field “colour”'],
  ['no title', { ...song, title: ' ' }, 'title', 'needs a title'],
  ['no bars', { ...song, bars: [] }, 'bars', 'A list of 1 to'],
  ['a bar of no length', { ...song, bars: [{ length: 0 }] }, 'bars.0.length', 'from 1 to'],
  [
    'a key that comes late',
    { ...song, keys: [{ ...song.keys[0]!, at: 5 }] },
    'keys.0.at',
    'stands at the beginning',
  ],
  [
    'a scale that is none',
    { ...song, keys: [{ ...song.keys[0]!, scale: 'loud' }] },
    'keys.0.scale',
    'no scale “loud”',
  ],
  ['a melody that is no voice', { ...song, melody: 'v9' }, 'melody', 'one of the voices'],
  ['an id twice', withVoice([note(), note({ onset: 5040 })]), 'parts', 'Every note has an id of its own'],
  [
    'a note that overlaps',
    withVoice([note({ length: 7000 }), note({ id: 'x', onset: 5040 })]),
    'parts.0.voices.0.notes.1.onset',
    'while one before it sounds',
  ],
  [
    'a chord of two lengths',
    withVoice([note(), note({ id: 'x', length: 2520 })]),
    'parts.0.voices.0.notes.1.length',
    'of one length',
  ],
  [
    'a note over a bar line',
    withVoice([note({ onset: 15120, length: 10080 })]),
    'parts.0.voices.0.notes.0.length',
    'ends with its bar',
  ],
  [
    'a note after the end',
    withVoice([note({ onset: 50000 })]),
    'parts.0.voices.0.notes.0.length',
    'ends with its bar',
  ],
  [
    'a pitch beyond hearing',
    withVoice([note({ pitch: { letter: 'C', accidental: 0, octave: 10 } })]),
    'parts.0.voices.0.notes.0.pitch',
    'between 0 and 127',
  ],
  ['half a tick', withVoice([note({ onset: 0.5 })]), 'parts.0.voices.0.notes.0.onset', 'A whole number'],
  [
    'tuplets that cross',
    withVoice([note()], [tuplet(0, 5040), tuplet(2520, 5040)]),
    'parts.0.voices.0.tuplets.1',
    'within another or beside it',
  ],
  [
    'tuplets too deep',
    withVoice(
      [note()],
      [1, 2, 3, 4, 5, 6].map((n) => tuplet(0, 5040 / n)),
    ),
    'parts.0.voices.0.tuplets.5',
    '5 deep',
  ],
  [
    'a verse that is no text',
    withVoice([note({ lyrics: [{ text: 5 } as never] })]),
    'parts.0.voices.0.notes.0.lyrics.0.text',
    'A text of at most',
  ],
])('%s is refused at its field', (_, value, field, message) => {
  expect(checkSong(value)).toMatchObject({
    ok: false,
    problems: expect.arrayContaining([
      { field, wrong: expect.anything(), message: expect.stringContaining(message) },
    ]),
  });
});

test('verses may have gaps, tuplets may stand one within another', () => {
  const sung = withVoice(
    [note({ lyrics: [null, { text: 'la', hyphen: true }] })],
    [tuplet(0, 10080), tuplet(0, 5040)],
  ) as Song;
  expect(expectOk(checkSong(sung))).toEqual(sung);
});
