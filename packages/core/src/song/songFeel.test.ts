import { songOf } from '../../test/samples/song.ts';
import { expectOk } from '../result.ts';
import { quarters } from '../time/ticks.ts';
import { backing } from '../practice/backing.ts';
import { rhythmAt } from '../practice/rhythm.ts';
import { grooveById } from '../groove/grooves.ts';
import { edited } from './edits.ts';
import { performance } from './performance.ts';
import { feelOf } from './songFeel.ts';
import { songForm } from './songForm.ts';
import type { Song } from './song.ts';

const EIGHTHS = songOf('C4*1/2 D4*1/2 E4*1/2 F4*1/2 G4*2', { chords: [{ at: 0, symbol: 'C' }] });
const starts = (song: Song, perMinute = 60) =>
  performance(song, { perMinute, repeats: false, countIn: false })
    .soundings.filter(({ kind }) => kind === 'melody')
    .map(({ at }) => at);

test('the song tells how its eighths are played: by itself, or by its tags', () => {
  expect(feelOf(EIGHTHS)).toBe('even');
  expect(feelOf({ ...EIGHTHS, tags: ['slow blues'] })).toBe('swung');
  expect(feelOf({ ...EIGHTHS, tags: ['Hornpipe'] })).toBe('dotted');
  expect(feelOf({ ...EIGHTHS, tags: ['blues'], feel: 'even' })).toBe('even');
  expect(expectOk(edited(EIGHTHS, { kind: 'feel', feel: 'swung' })).feel).toBe('swung');
});

test('second eighths come at two thirds or three quarters of their beat, and earlier at speed', () => {
  expect(starts(EIGHTHS)).toEqual([0, 0.5, 1, 1.5, 2]);
  expect(starts({ ...EIGHTHS, feel: 'swung' })).toEqual([
    0,
    expect.closeTo(2 / 3),
    1,
    expect.closeTo(5 / 3),
    2,
  ]);
  expect(starts({ ...EIGHTHS, feel: 'dotted' })).toEqual([0, 0.75, 1, 1.75, 2]);
  // At 210 half way between two thirds and 0.54.
  const [, second] = starts({ ...EIGHTHS, feel: 'swung' }, 210);
  expect((second! * 210) / 60).toBeCloseTo((2 / 3 + 0.54) / 2);
});

test('a note ends where the next begins, what is counted in threes and tuplets are left', () => {
  const swung = { ...EIGHTHS, feel: 'swung' } as const;
  const [first] = performance(swung, { perMinute: 60, repeats: false, countIn: false }).soundings;
  expect(first).toMatchObject({ seconds: expect.closeTo(2 / 3) });
  const jig = songOf('C4*1/2 D4*1/2 E4*1/2 C4*3/2', {
    metres: [{ at: 0, count: 6, unit: 8 }],
    feel: 'swung',
  });
  // Three eighths to a dotted beat of a second.
  expect(starts(jig)).toEqual([0, expect.closeTo(1 / 3), expect.closeTo(2 / 3), 1]);
  const triplet = songOf('C4*1/3 D4*1/3 E4*1/3 F4*3', { feel: 'dotted' });
  const [part] = triplet.parts;
  const [voice] = part!.voices;
  const tuplets = [{ onset: 0, length: quarters(1), actual: 3, normal: 2 }];
  const inThrees = { ...triplet, parts: [{ ...part!, voices: [{ ...voice!, tuplets }] }] };
  expect(starts(inThrees)).toEqual([0, expect.closeTo(1 / 3), expect.closeTo(2 / 3), 1]);
});

test.each([
  ['swung', 'shuffle', 2 / 3],
  ['swung', 'straight', 2 / 3],
  ['even', 'shuffle', 1 / 2],
  ['dotted', 'reel', 3 / 4],
] as const)(
  '%s: what accompanies the song over %s has its second eighths with it',
  (feel, groove, second) => {
    const song = { ...EIGHTHS, feel };
    const { events } = backing(songForm(song)!, { groove: grooveById(groove), perMinute: 60, home: 0, feel });
    // All but the fill at the end, which is played as it is written.
    const off = (times: readonly number[]) => times.map((at) => at % 1).filter((place) => place > 1e-6);
    const places = off(events.filter(({ play }) => play !== 'snare').map(({ at }) => at));
    for (const place of [...off(starts(song)), ...places]) expect(place).toBeCloseTo(second);
    // A reel in four has nothing between its beats.
    expect(places.length > 0).toBe(groove !== 'reel');
  },
);

test('a line that is swung is swung as what accompanies it, at every tempo', () => {
  for (const perMinute of [60, 200, 280]) {
    const [first] = expectOk(rhythmAt('swung', perMinute));
    const form = songForm(EIGHTHS)!;
    const { events } = backing(form, { groove: grooveById('shuffle'), perMinute, home: 0, feel: 'swung' });
    const places = events.map(({ at }) => ((at * perMinute) / 60) % 1);
    expect(places.some((place) => Math.abs(place - first!) < 1e-6)).toBe(true);
  }
  expect(expectOk(rhythmAt('1 1/2 1/2', 200))).toEqual([1, 0.5, 0.5]);
});
