import { songOf } from '../../test/samples/song.ts';
import { timingsOf } from '../time/noteTiming.ts';
import { quarters } from '../time/ticks.ts';
import type { Song } from './song.ts';
import { melodyLine, countingOfSong, metreOfSong, metresOfSong } from './songLine.ts';
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

test('metres that change are counted each from where it begins', () => {
  const metres = [
    { at: 0, count: 3, unit: 4 },
    { at: quarters(4), count: 6, unit: 8 },
  ];
  const song = songOf('C4 | D4*3 | E4*3/2 F4*1/2 G4 | A4*3', { metres });
  const [first, second] = metresOfSong(song);
  expect(first).toMatchObject({ at: 0, metre: { name: '3/4', pickup: quarters(1) } });
  expect(second).toMatchObject({ at: quarters(4), metre: { name: '6/8', pickup: 0 } });
  const timings = timingsOf(countingOfSong(song), melodyLine(song));
  // Of a quarter in 3/4, of a dotted one in 6/8.
  expect(timings.map(({ beats }) => beats)).toEqual([1, 3, 1, 1 / 3, 2 / 3, 2]);
  // Eighths are the pulse: the F on the fourth of its bar, the G a beat after it.
  expect(timings.map(({ offPulse }) => offPulse)).toEqual([false, false, false, true, false, false]);
  expect(metresOfSong(songOf('C4', { metres: [] }))).toMatchObject([{ at: 0, metre: { name: '4/4' } }]);
});

test('at speed there is less time between notes: haste is measured in seconds where a tempo is told', () => {
  const at = (perMinute: number, at = 0) => ({ at, beat: quarters(1), perMinute });
  const haste = (tempos: Song['tempos'], metres: Song['metres'] = []) => {
    const song = songOf('C4*1/2 D4*1/2 E4*1/2 F4*1/2', { tempos, metres });
    return timingsOf(countingOfSong(song), melodyLine(song)).map((timing) => timing.haste);
  };
  // Half a beat has passed: at a hundred half of what is easy, at 200 a quarter, at 50 all of it.
  expect(haste([])).toEqual([0, 0.5, 0.5, 0.5]);
  expect(haste([at(100)])).toEqual([0, 0.5, 0.5, 0.5]);
  expect(haste([at(200)])).toEqual([0, 0.75, 0.75, 0.75]);
  expect(haste([at(50)])).toEqual([0, 0, 0, 0]);
  expect(haste([at(100), at(200, quarters(1))])).toEqual([0, 0.5, 0.75, 0.75]);
  // Counted in dotted quarters, 150 quarters are 100 beats.
  const jig = haste([at(150)], [{ at: 0, count: 6, unit: 8 }]);
  expect(jig.map((one) => Math.round(one * 1000))).toEqual([0, 667, 667, 667]);
});
