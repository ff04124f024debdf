import { songOf } from '../../test/samples/song.ts';
import type { AirBalance } from '../route/air.ts';
import { quarters } from '../time/ticks.ts';
import { ableInstrument } from '../../test/instruments.ts';
import { families } from '../families/index.ts';
import { plainPlan } from './arrangement.ts';
import { breathPlaces } from './breaths.ts';
import { songView } from './songView.ts';
import { melodyLine } from './songLine.ts';

const LEVEL: AirBalance = {
  points: [{ beat: 0, balance: 0 }],
  most: 0,
  least: 0,
  capacity: undefined,
  helps: [],
};
const places = (song: ReturnType<typeof songOf>, air = LEVEL) =>
  breathPlaces(song, melodyLine(song), 'breath', air).map(({ after, why }) => `${after} ${why}`);
const four = 'C4 D4 E4 F4';

test('with nothing else to go by, a breath lasts four bars', () => {
  const eight = songOf(Array(8).fill(four).join(' | '));
  expect(places(eight)).toEqual(['n16 bars']);
  expect(places(songOf(Array(3).fill(four).join(' | ')))).toEqual([]);
});

test('a rest, a long note and the end of a phrase are better places than a bar line', () => {
  const rest = songOf([four, four, 'C4 D4 E4 -', four, four, four].join(' | '));
  expect(places(rest)).toEqual(['n11 rest']);
  const long = songOf([four, four, 'C4 D4 E4*2', four, four, four].join(' | '));
  expect(places(long)).toEqual(['n11 long note']);
  const phrase = songOf(Array(6).fill(four).join(' | '), { phrases: [quarters(10)] });
  expect(places(phrase)).toEqual(['n10 phrase']);
});

test('a pickup is not counted as a bar, and a tune of one note needs no breath', () => {
  const tune = songOf(['G4', ...Array<string>(8).fill(four)].join(' | '));
  expect(places(tune)).toEqual(['n17 bars']);
  expect(places(songOf('C4*4'))).toEqual([]);
});

test('nobody breathes between an upbeat and its downbeat, where a repeat begins there neither', () => {
  const tune = songOf(['G4', ...Array<string>(8).fill(four)].join(' | '));
  const repeated = {
    ...tune,
    bars: tune.bars.map((bar, i) => ({ ...bar, ...(i === 1 && { repeatStart: true }) })),
  };
  expect(places(repeated)).toEqual(['n17 bars']);
  // The upbeat of the second part stands behind the seam.
  const parts = songOf(['C4 D4 E4 F4', four, 'C4 D4 E4', 'G4', four, four].join(' | '));
  const seam = {
    ...parts,
    bars: parts.bars.map((bar, i) => ({ ...bar, ...(i === 3 && { repeatStart: true }) })),
  };
  expect(places(seam)).toEqual(['n11 part']);
  const end = {
    ...parts,
    bars: parts.bars.map((bar, i) => ({ ...bar, ...(i === 4 && { repeatStart: true }) })),
  };
  expect(places(end)).not.toContain('n12 part');
});

test('an Anglo is never told to turn its bellows, an English concertina is', () => {
  const tune = songOf(Array(8).fill(four).join(' | '));
  const told = (family: 'anglo' | 'english') =>
    songView(ableInstrument(family, families[family].presets[0]!.id), tune, plainPlan(families[family]), {
      naming: 'key',
      dialect: families[family].dialects[0]!.id,
    }).breaths.map(({ what }) => what);
  expect(told('anglo')).not.toContain('turn the bellows');
  expect(told('english')).toContain('turn the bellows');
});

test('whoever has drawn more breathes out, whoever has blown more breathes in', () => {
  const eight = songOf(Array(8).fill(four).join(' | '));
  const what = (balance: number) =>
    breathPlaces(eight, melodyLine(eight), 'breath', { ...LEVEL, points: [{ beat: 15, balance }] })[0]!.what;
  expect([what(6), what(-6), what(0.2)]).toEqual(['breathe out', 'breathe in', 'breathe']);
  expect(breathPlaces(eight, melodyLine(eight), 'bellows', LEVEL)[0]!.what).toBe('turn the bellows');
});

test('parts of eight bars with a pickup each are breathed by fours, and where they meet', () => {
  const part = ['G4', ...Array<string>(7).fill(four), 'C4 D4 E4'];
  const once = songOf([...part, ...part].join(' | '));
  const bars = once.bars.map((bar, i) => ({
    ...bar,
    ...(i === 8 && { repeatEnd: 2 }),
    ...(i === 9 && { repeatStart: true }),
  }));
  const song = { ...once, bars };
  expect(places(song)).toEqual(['n17 bars', 'n32 part', 'n49 bars']);
});
