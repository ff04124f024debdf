import { songOf } from '../../test/samples/song.ts';
import { families } from '../families/index.ts';
import { openInstrument, specFromPreset } from '../instrument/instrument.ts';
import { expectOk } from '../result.ts';
import { quarters } from '../time/ticks.ts';
import { plainPlan, type ArrangementPlan } from './arrangement.ts';
import type { Song } from './song.ts';
import { songView } from './songView.ts';

const A_MINOR = [{ at: 0, tonic: { letter: 'A', accidental: 0 }, scale: 'natural-minor' }] as const;

function onHarp(song: Song, adds?: ArrangementPlan['adds']) {
  const harp = expectOk(openInstrument(specFromPreset('harp', 'eb-34')));
  const plan = { ...plainPlan(families.harp), transpose: 0, ...(adds && { adds }) };
  const view = songView(harp, song, plan, { naming: 'key', dialect: families.harp.dialects[0]!.id });
  const flips = view.effort.terms.find(({ id }) => id === 'flips')!.count;
  return { flips, told: view.changes.map(({ row, to, text }) => `${row} ${to} ${text}`) };
}

test('levers that every note of a string needs are set before beginning: none is flipped', () => {
  const song = songOf('A4 C5 E5 A5 | G#5 E5 D5 B4 | C5 A4 E4 A4 | G#4 B4 D5 E5 | A5*4', { keys: A_MINOR });
  expect(onHarp(song)).toEqual({
    flips: 0,
    told: ['G5 up before you begin', 'G4 up before you begin'],
  });
});

test('of a string that is needed both ways the time between its two notes is told', () => {
  const song = songOf(
    'A4 C5 E5 A5 | G4 B4 D5 E5 | A4*4 | G#5 E5 D5 B4 | A4*4 | G#4 B4 D5 E5 | G5 E5 C5 B4 | A5*4',
    { keys: A_MINOR },
  );
  expect(onHarp(song)).toEqual({
    flips: 2,
    told: [
      'G5 up before you begin',
      'G4 up any time from bar 2 beat 2 to bar 6 beat 1',
      'G5 down any time from bar 4 beat 2 to bar 7 beat 1',
    ],
  });
});

test('where the left hand plays along, the latest time at which it has a beat is told', () => {
  const song = songOf('A4 G4 E5 A5 | A4 C5 E5 C5 | A4 C5 E5 G#4 | A4*4', {
    keys: A_MINOR,
    chords: [0, 4, 8, 12].map((beat) => ({ at: quarters(beat), symbol: 'Am' })),
  });
  const { told } = onHarp(song, { style: 'chords', fullness: 'light', without: [] });
  // One bass in a bar, on its first beat: after that of bar 3 the hand is free until G♯4 on its fourth.
  expect(told).toEqual([
    'G4 up any time from bar 1 beat 3 to bar 3 beat 4; the left hand is free in bar 3, beats 1 to 3',
  ]);
});

test('on two rows too a string that has not sounded is set before beginning', () => {
  const double = expectOk(openInstrument(specFromPreset('harp', 'c-23-double')));
  const song = songOf('C4 D4 F#4 G4 | F4 E4 D4 C4');
  const { changes } = songView(
    double,
    song,
    { ...plainPlan(families.harp), transpose: 0 },
    {
      naming: 'key',
      dialect: families.harp.dialects[0]!.id,
    },
  );
  expect(changes.map(({ to, text }) => `${to} ${text}`)).toEqual(['up before you begin']);
});
