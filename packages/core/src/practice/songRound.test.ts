/** Songs as rounds: pickups, repeats, passages, changes of metre and tempo. Figures by hand. */
import { songOf } from '../../test/samples/song.ts';
import { quarters } from '../time/ticks.ts';
import type { Song } from '../song/song.ts';
import { backing } from './backing.ts';
import { grooveById } from '../groove/grooves.ts';
import { inRound } from './round.ts';
import { songForm } from '../song/songForm.ts';
import { songRound } from './songRound.ts';

const IN_THREE = { metres: [{ at: 0, count: 3, unit: 4 }] };
const at60 = (song: Song, passage?: { readonly from: string; readonly to: string }) =>
  songRound(song, { perMinute: 60, passage });
/** What is counted and played of the beats: `1 2 3` of the count in brackets. */
const beats = (song: Song, passage?: { readonly from: string; readonly to: string }) =>
  at60(song, passage)
    .beats.map(({ said, counted }) => (counted ? `(${said})` : String(said)))
    .join(' ');
const near = (value: number) => Math.round(value * 1e6) / 1e6;

test('four bars of three with a pickup are counted in to their place and loop in twelve beats', () => {
  const song = songOf('G4 | C4 D4 E4 | F4 E4 D4 | C4 D4 E4 | C4*2', IN_THREE);
  const { begins, ends, notes } = at60(song);
  expect([begins, ends - begins]).toEqual([5, 12]);
  expect(notes.map(({ at }) => at)).toEqual([5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15]);
  expect(beats(song)).toBe('(1) (2) (3) (2) (2) 3 1 2 3 1 2 3 1 2 3 1 2');
  expect(notes.map(({ bar }) => bar)).toEqual([0, 1, 1, 1, 2, 2, 2, 3, 3, 3, 4]);
});

test('where the last bar leaves no room for the pickup a loop waits for its place', () => {
  const song = songOf('G4 | C4 D4 E4 | C4*3', IN_THREE);
  const { begins, ends } = at60(song);
  // Seven beats are played, two more are counted until the third of a bar.
  expect(ends - begins).toBe(9);
  expect(beats(song)).toBe('(1) (2) (3) (2) (2) 3 1 2 3 1 2 3 1 2');
});

test('repeats and endings sound as they are written', () => {
  const once = songOf('C4 D4 E4 F4 | G4 A4 B4 C4 | C4 B4 A4 G4');
  const bars = once.bars.map((bar, i) => ({
    ...bar,
    ...(i === 0 && { repeatStart: true }),
    ...(i === 1 && { endings: [1], repeatEnd: 2 }),
    ...(i === 2 && { endings: [2] }),
  }));
  const { notes, ends, begins } = at60({ ...once, bars });
  const order = notes.map(({ noteId }) => Number(noteId.slice(1)));
  expect(order).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 1, 2, 3, 4, 9, 10, 11, 12]);
  expect(ends - begins).toBe(16);
  expect(notes.map(({ bar }) => bar)).toEqual([0, 0, 0, 0, 1, 1, 1, 1, 2, 2, 2, 2, 3, 3, 3, 3]);
});

test('an upbeat within the tune keeps its place in its measure when a repeat goes back', () => {
  // G | four, three + G | four, three: the bar is parted by the sign of repeat.
  const once = songOf('G4 | C4 D4 E4 F4 | C4 D4 E4 | A4 | F4 E4 D4 C4 | C4*3');
  const bars = once.bars.map((bar, i) => ({
    ...bar,
    ...(i === 2 && { repeatEnd: 2 }),
    ...(i === 3 && { repeatStart: true }),
  }));
  const played = at60({ ...once, bars }).beats.filter(({ counted }) => !counted);
  expect(played.map(({ beat }) => beat).join('')).toBe('4' + '1234123' + '4' + '1234123' + '4' + '1234123');
});

test('a passage that begins within a bar comes again at the same place of one', () => {
  const song = songOf('C4 D4 E4 | F4 G4 A4 | B4 A4 G4', IN_THREE);
  // From the second beat of bar 1 to the end of bar 2: five beats, then one of rest.
  const { begins, ends, notes } = at60(song, { from: 'n2', to: 'n6' });
  expect([begins, ends - begins]).toEqual([4, 6]);
  expect(notes.map(({ at }) => at - begins)).toEqual([0, 1, 2, 3, 4]);
  expect(beats(song, { from: 'n2', to: 'n6' })).toBe('(1) (2) (3) (2) 2 3 1 2 3 1');
});

test('beats carry the accents of the metre that holds, and last as long as the tempo says', () => {
  const song = songOf('C4 D4 E4 | F4 G4 | C4*3/2 E4*3/2', {
    metres: [
      { at: 0, count: 3, unit: 4 },
      { at: quarters(3), count: 2, unit: 4 },
      { at: quarters(5), count: 6, unit: 8 },
    ],
    tempos: [
      { at: 0, beat: quarters(1), perMinute: 100 },
      { at: quarters(3), beat: quarters(1), perMinute: 50 },
    ],
  });
  const { beats: all, ends, notes } = at60(song);
  const played = all.filter(({ counted }) => !counted);
  expect(played.map(({ beat, of }) => `${beat}/${of}`)).toEqual([
    ...['1/3', '2/3', '3/3', '1/2', '2/2', '1/2', '2/2'],
  ]);
  // At 60 a quarter is a second, from bar 2 on two seconds; a dotted beat is three.
  expect(played.map(({ at }) => near(at))).toEqual([6, 7, 8, 9, 11, 13, 16]);
  expect(notes.map(({ at }) => near(at))).toEqual([6, 7, 8, 9, 11, 13, 16]);
  expect(near(ends)).toBe(19);
});

test('what accompanies a song goes with its repeats and its tempos', () => {
  const once = songOf('C4*4 | G4*4', {
    chords: [
      { at: 0, symbol: 'C' },
      { at: quarters(4), symbol: 'G' },
    ],
    tempos: [
      { at: 0, beat: quarters(1), perMinute: 60 },
      { at: quarters(4), beat: quarters(1), perMinute: 30 },
    ],
  });
  const bars = once.bars.map((bar, i) => ({ ...bar, ...(i === 0 && { repeatEnd: 2 }) }));
  const song = { ...once, bars };
  const round = at60(song);
  const form = songForm(song, round.stretches)!;
  expect(form.chords.map(({ chord }) => chord.tones[0])).toEqual([0, 0, 7]);
  const { events } = backing(form, { groove: grooveById('straight'), perMinute: 60, home: 0 });
  const roots = events.filter(({ play }) => play === 'root').map(({ at }) => inRound(round, form, at));
  const starts = [8, 12, 16].map((at) => roots.some((root) => root === at));
  expect(starts).toEqual([true, true, true]);
  // The third beat of the slow bar: two beats of two seconds behind its first.
  expect(inRound(round, form, 10)).toBe(20);
  expect(inRound(round, form, 12)).toBeUndefined();
});
