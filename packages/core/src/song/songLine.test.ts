import { songOf } from '../../test/samples/song.ts';
import { quarters } from '../time/ticks.ts';
import { melodyLine, metreOfSong } from './songLine.ts';
import { played } from './played.ts';

test('tied notes are one, under the id of the first', () => {
  const line = melodyLine(songOf('C4 D4*3~ | D4*2~ D4 E4 | E4+G4*4'));
  expect(
    line.map(({ id, pitch, onset, length }) => [id, pitch, onset / quarters(1), length / quarters(1)]),
  ).toEqual([
    ['n1', 60, 0, 1],
    ['n2', 62, 1, 6],
    ['n5', 64, 7, 1],
    ['n6', 64, 8, 4],
    ['n7', 67, 8, 4],
  ]);
});

test('each bar once, whatever is repeated', () => {
  const once = songOf('C4*4 | D4*4');
  const song = { ...once, bars: once.bars.map((bar, i) => (i === 1 ? { ...bar, repeatEnd: 2 } : bar)) };
  expect(melodyLine(song)).toHaveLength(2);
  expect(played(song).notes).toHaveLength(4);
});

test('the metre with its pickup', () => {
  expect(metreOfSong(songOf('C4*4 | D4*4')).pickup).toBe(0);
  expect(metreOfSong(songOf('C4 | D4*4')).pickup).toBe(quarters(1));
  expect(metreOfSong(songOf('C4')).pickup).toBe(0);
  const odd = metreOfSong(songOf('C4*4', { metres: [{ at: 0, count: 7, unit: 8 }] }));
  expect(odd).toMatchObject({ name: '7/8', beats: 7, beat: quarters(1, 2), divisions: 2 });
  const slow = metreOfSong(songOf('C4*4', { metres: [{ at: 0, count: 9, unit: 16 }] }));
  expect(slow).toMatchObject({ beats: 3, beat: quarters(3, 4), divisions: 3 });
});
