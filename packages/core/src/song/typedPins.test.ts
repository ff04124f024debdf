import { instrumentOf } from '../../test/instruments.ts';
import { songOf } from '../../test/samples/song.ts';
import { families } from '../families/index.ts';
import { plainPlan } from './arrangement.ts';
import { songView } from './songView.ts';
import { typedPins } from './typedPins.ts';

const played = (
  family: 'diatonic' | 'dulcimer',
  preset: string,
  text: string,
  typed: readonly (string | undefined)[],
) => {
  const instrument = instrumentOf(family, preset);
  const song = songOf(text);
  const pins = typedPins(instrument, song, typed);
  const plan = { ...plainPlan(families[family]), transpose: 0, pins };
  const { line } = songView(instrument, song, plan, {
    naming: 'key',
    dialect: families[family].dialects[0]!.id,
  });
  return { pins, ways: line.map(({ wayId }) => wayId) };
};

test('what was typed is what is played, and only what would lie elsewhere is pinned', () => {
  // G4 is 2 draw or 3 blow: between blown notes it would be 3 blow.
  const typed = ['2b', '2d', '4b', '4d'];
  const { pins, ways } = played('diatonic', '60', 'E4 G4 C5 D5', typed);
  expect(ways).toEqual(typed);
  expect(pins).toEqual([{ noteId: 'n2', wayId: '2d' }]);
  expect(played('diatonic', '60', 'E4 G4 C5 D5', ['2b', '3b', '4b', '4d'])).toEqual({
    pins: [],
    ways: ['2b', '3b', '4b', '4d'],
  });
});

test('notes of a chord are told apart by their pitches, and one that is not to be had is passed over', () => {
  const typed = ['bass.7', 'middle.0', undefined, 'middle.3'];
  const { ways, pins } = played('dulcimer', 'd3-a3-d4', 'D4+A3 C#9 D4', typed);
  expect(ways).toEqual(['middle.0', 'bass.7', undefined, 'middle.3']);
  expect(pins.map(({ wayId }) => wayId)).toEqual(expect.arrayContaining(['bass.7']));
});
