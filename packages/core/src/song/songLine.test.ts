import { songOf } from '../../test/samples/song.ts';
import { timingsOf } from '../time/noteTiming.ts';
import { quarters } from '../time/ticks.ts';
import type { Song } from './song.ts';
import { barName, barNumberIn, barNumbers } from './barOffset.ts';
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

test('time between notes is told in seconds, up to a beat of an easy pace', () => {
  const at = (perMinute: number, at = 0) => ({ at, beat: quarters(1), perMinute });
  const since = (tempos: Song['tempos'], metres: Song['metres'] = []) => {
    const song = songOf('C4*1/2 D4*1/2 E4*1/2 F4*1/2', { tempos, metres });
    return timingsOf(countingOfSong(song), melodyLine(song)).map(
      (timing) => Math.round(1000 * timing.since) / 1000,
    );
  };
  // A beat at a hundred lasts six tenths of a second, and is taken to where no tempo is told.
  expect(since([])).toEqual([0.6, 0.3, 0.3, 0.3]);
  expect(since([at(100)])).toEqual([0.6, 0.3, 0.3, 0.3]);
  expect(since([at(200)])).toEqual([0.6, 0.15, 0.15, 0.15]);
  expect(since([at(40)])).toEqual([0.6, 0.6, 0.6, 0.6]);
  expect(since([at(100), at(200, quarters(1))])).toEqual([0.6, 0.3, 0.15, 0.15]);
  // Counted in dotted quarters, 150 quarters are 100 beats.
  expect(since([at(150)], [{ at: 0, count: 6, unit: 8 }])).toEqual([0.6, 0.2, 0.2, 0.2]);
});

test('bars are numbered as musicians count: an upbeat is none, and one that a repeat parts is one', () => {
  // An upbeat, two bars, a third of three beats with the upbeat of the second part, two more.
  const song = songOf('G4 | C4*4 | D4*4 | E4*3 | G4 | C4*4 | D4*4');
  expect(barNumbers(song)).toEqual([0, 1, 2, 3, 3, 4, 5]);
  const barOf = barNumberIn(song);
  expect([0, 1, 12, 13].map((quarter) => barName(barOf(quarters(quarter))))).toEqual([
    'the upbeat',
    'bar 1',
    'bar 3',
    'bar 4',
  ]);
  expect(barNumbers(songOf('C4*4 | D4*4'))).toEqual([1, 2]);
});
