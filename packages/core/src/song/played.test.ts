import { songOf } from '../../test/samples/song.ts';
import { quarters } from '../time/ticks.ts';
import { played, unfoldedTimes } from './played.ts';
import type { Song } from './song.ts';

const times = (song: Song) =>
  played(song).notes.map(({ pitch, onset, length }) => [pitch, onset / quarters(1), length / quarters(1)]);
const signed = (song: Song, signs: readonly Partial<Song['bars'][number]>[]): Song => ({
  ...song,
  bars: song.bars.map((bar, i) => ({ ...bar, ...signs[i] })),
});

test('ties are joined over bars; to another pitch they end', () => {
  expect(times(songOf('C4*4~ | C4*2 D4*2~ | E4*4'))).toEqual([
    [60, 0, 6],
    [62, 6, 2],
    [64, 8, 4],
  ]);
});

test('a tie goes on in another voice where its own has nothing more', () => {
  const song = songOf('C4*4~ | -*4');
  const lower = {
    id: 'v2',
    notes: [
      {
        id: 'x',
        onset: quarters(4),
        length: quarters(4),
        pitch: { letter: 'C', accidental: 0, octave: 4 } as const,
      },
    ],
    tuplets: [],
  };
  const both = { ...song, parts: [{ ...song.parts[0]!, voices: [...song.parts[0]!.voices, lower] }] };
  expect(times(both)).toEqual([[60, 0, 8]]);
});

test('a tie into a repeat and out of it', () => {
  const song = signed(songOf('C4*4~ | C4*4'), [{ repeatEnd: 2 }]);
  expect(times(song)).toEqual([[60, 0, 12]]);
});

test('every bar as it is played', () => {
  const song = signed(songOf('C4*4 | D4*3'), [{ repeatEnd: 2 }]);
  expect(played(song).bars).toEqual([
    { bar: 0, onset: 0 },
    { bar: 0, onset: quarters(4) },
    { bar: 1, onset: quarters(8) },
  ]);
});

test('changes are told again where a repeat goes back before them', () => {
  const song = signed(songOf('C4*4 | D4*4'), [{}, { repeatEnd: 2 }]);
  const tempo = (at: number, perMinute: number) => ({ at, beat: quarters(1), perMinute });
  const { at } = unfoldedTimes(song);
  const told = at([tempo(0, 100), tempo(quarters(5), 60)]);
  expect(told.map(({ at: time, change }) => [time / quarters(1), change.perMinute])).toEqual([
    [0, 100],
    [5, 60],
    [8, 100],
    [13, 60],
  ]);
});
