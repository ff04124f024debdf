import { songOf } from '../../test/samples/song.ts';
import { parsePitch } from '../pitch/noteName.ts';
import { spelledIn } from '../pitch/spelledPitch.ts';
import { expectOk } from '../result.ts';
import { quarters } from '../time/ticks.ts';
import { mapNotes } from './song.ts';
import { chordPitches, hasRepeats, performance, tempoOf, type PerformanceOptions } from './performance.ts';

const PLAIN: PerformanceOptions = { perMinute: 60, repeats: false, countIn: false };
const heard = (song: ReturnType<typeof songOf>, options: Partial<PerformanceOptions>, kind = 'melody') =>
  performance(song, { ...PLAIN, ...options })
    .soundings.filter((sounding) => sounding.kind === kind)
    .map(({ at, seconds, pitch }) => [Number(at.toFixed(6)), Number(seconds.toFixed(6)), pitch]);

test('at sixty quarters a minute a quarter is a second', () => {
  const song = songOf('C4 D4*3 | E4*4');
  expect(heard(song, {})).toEqual([
    [0, 1, 60],
    [1, 3, 62],
    [4, 4, 64],
  ]);
  expect(performance(song, PLAIN)).toMatchObject({ begins: 0, ends: 8 });
  expect(heard(song, { perMinute: 120 })[2]).toEqual([2, 2, 64]);
});

test('grace notes take a little of their note, never more than half, and what follows keeps its time', () => {
  const plain = songOf('C4 D4 E4*1/8');
  const grace = ['E4', 'F4'].map((name) => spelledIn(expectOk(parsePitch(name)), 0));
  const graced = mapNotes(plain, (note) => (note.onset > 0 ? { ...note, grace } : note));
  expect(heard(graced, {}, 'grace')).toEqual([
    [1, 0.06, 64],
    [1.06, 0.06, 65],
    [2, 0.03125, 64],
    [2.03125, 0.03125, 65],
  ]);
  expect(heard(graced, {})).toEqual([
    [0, 1, 60],
    [1.12, 0.88, 62],
    [2.0625, 0.0625, 64],
  ]);
});

test('the beat is the one the song counts, and its tempo changes by as much', () => {
  const song = songOf('C4*3 | D4*3 | E4*3', {
    tempos: [
      { at: 0, beat: quarters(3, 2), perMinute: 80 },
      { at: quarters(3), beat: quarters(3, 2), perMinute: 40 },
      { at: quarters(15, 2), beat: quarters(3, 2), perMinute: 80 },
    ],
  });
  // Two dotted beats a bar: at 60 a minute two seconds, then four, then the last bar half slow and half not.
  expect(heard(song, {})).toEqual([
    [0, 2, 60],
    [2, 4, 62],
    [6, 3, 64],
  ]);
  expect(tempoOf(songOf('C4', { metres: [{ at: 0, count: 6, unit: 8 }] })).beat).toBe(quarters(3, 2));
});

test('repeats are taken when they are wanted; without them the last ending is played', () => {
  const once = songOf('C4 | D4 | E4');
  const bars = once.bars.map((bar, i) => ({
    ...bar,
    ...(i > 0 && { endings: [i] }),
    ...(i === 1 && { repeatEnd: 2 }),
  }));
  const song = { ...once, bars };
  expect(heard(song, { repeats: true }).map(([, , pitch]) => pitch)).toEqual([60, 62, 60, 64]);
  expect(heard(song, {}).map(([at, , pitch]) => [at, pitch])).toEqual([
    [0, 60],
    [1, 64],
  ]);
  expect([hasRepeats(song), hasRepeats(once)]).toEqual([true, false]);
});

test('two bars are counted before it, the pickup taken off the second', () => {
  const song = songOf('G4 | C4*4');
  expect(heard(song, { countIn: true }, 'click')).toEqual([
    [0, 0, 1],
    [1, 0, 0],
    [2, 0, 0],
    [3, 0, 0],
    [4, 0, 1],
    [5, 0, 0],
    [6, 0, 0],
  ]);
  expect(heard(song, { countIn: true })[0]).toEqual([7, 1, 67]);
  const jig = songOf('C4*3/2 D4*3/2', { metres: [{ at: 0, count: 6, unit: 8 }] });
  expect(heard(jig, { countIn: true, perMinute: 120 }, 'click').map(([at]) => at)).toEqual([0, 0.5, 1, 1.5]);
});

test('a passage begins with its first note and ends with its last, in whichever order they are given', () => {
  const song = songOf('C4 D4 E4 F4 | G4*2 A4*2');
  const [one, other] = [
    { from: 'n3', to: 'n5' },
    { from: 'n5', to: 'n3' },
  ].map((passage) => heard(song, { passage }));
  expect(one).toEqual([
    [0, 1, 64],
    [1, 1, 65],
    [2, 2, 67],
  ]);
  expect(other).toEqual(one);
  // From the third beat on, two bars less two beats are counted.
  expect(performance(song, { ...PLAIN, countIn: true, passage: { from: 'n3', to: 'n5' } }).begins).toBe(6);
});

test('chords are struck with every bar, clicks mark every counted beat, the drone lasts', () => {
  const chords = [
    { at: 0, symbol: 'C' },
    { at: quarters(6), symbol: 'G7/B' },
  ];
  const song = songOf('C4*4 | D4*4', { chords });
  const struck = heard(song, {}, 'chord');
  expect([...new Set(struck.map(([at, seconds]) => `${at} ${seconds}`))]).toEqual(['0 4', '4 2', '6 2']);
  expect(struck.filter(([at]) => at === 6).map(([, , pitch]) => pitch)).toEqual([47, 55, 59, 62, 65]);
  expect(
    heard(song, { click: true }, 'click')
      .map(([at, , first]) => [at, first])
      .slice(2, 6),
  ).toEqual([
    [2, 0],
    [3, 0],
    [4, 1],
    [5, 0],
  ]);
  expect(heard(song, {}, 'drone')).toEqual([
    [0, 8, 48],
    [0, 8, 55],
  ]);
  expect(chordPitches('N.C.', { letter: 'C', accidental: 0 })).toEqual([]);
});
