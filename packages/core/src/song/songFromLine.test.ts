import { spelledText } from '../pitch/spelledPitch.ts';
import { evenLine } from '../route/line.ts';
import { quarters } from '../time/ticks.ts';
import { melodyOf } from './song.ts';
import { songFromLine } from './songFromLine.ts';

const E_FLAT = { tonic: { letter: 'E', accidental: -1 } as const, scale: 'major' };

test('a line of Map as a song: bars of four, spelled in its key', () => {
  const song = songFromLine('Trial', E_FLAT, evenLine([63, 65, 67, 68, 70]), ['lick']);
  expect(song.bars.map(({ length }) => length / quarters(1))).toEqual([4, 1]);
  expect(melodyOf(song).voice.notes.map(({ pitch }) => spelledText(pitch))).toEqual([
    'E♭4',
    'F4',
    'G4',
    'A♭4',
    'B♭4',
  ]);
  expect(song).toMatchObject({ title: 'Trial', tags: ['lick'], keys: [{ at: 0, ...E_FLAT }] });
});

test('a note over a bar line is tied', () => {
  const song = songFromLine('Trial', E_FLAT, [{ pitch: 63, onset: quarters(3), length: quarters(3) }]);
  expect(
    melodyOf(song).voice.notes.map(({ onset, length, tied }) => [
      onset / quarters(1),
      length / quarters(1),
      tied,
    ]),
  ).toEqual([
    [3, 1, true],
    [4, 2, undefined],
  ]);
});
