import { families } from '@same-song/core/instruments';
import { lineScore } from './lineScore.ts';

const LINE = [
  { id: 'a', wayId: '1b', hz: 262, start: 0, beats: 1 },
  { id: 'b', wayId: undefined, hz: 277, start: 1, beats: 1 },
  { id: 'c', wayId: '1d', hz: 294, start: 2, beats: 1 },
];
const blown = { timbre: families.diatonic.timbre, drones: [] };

test('notes that can be had stand at their times, half a second a beat', () => {
  const { sounds, ends, loop } = lineScore(LINE, 120, blown);
  expect(sounds).toEqual([
    { kind: 'melody', at: 0, seconds: 0.5, hz: 262, noteId: 'a' },
    { kind: 'melody', at: 1, seconds: 0.5, hz: 294, noteId: 'c' },
  ]);
  expect([ends, loop]).toEqual([1.5, false]);
  expect(lineScore([], 120, blown)).toMatchObject({ sounds: [], ends: 0 });
});

test('a drone that is blown sounds throughout, one that is struck comes again on every second beat', () => {
  const drones = (timbre: typeof blown.timbre) =>
    lineScore(LINE, 60, { timbre, drones: [147] })
      .sounds.filter(({ kind }) => kind === 'drone')
      .map(({ at, seconds, hz }) => [at, seconds, hz]);
  expect(drones(families.diatonic.timbre)).toEqual([[0, 3, 147]]);
  expect(drones(families.dulcimer.timbre)).toEqual([
    [0, 2, 147],
    [2, 1, 147],
  ]);
});
