import { METRE_NAMES, metre } from '../time/metre.ts';
import { inRhythm } from './rhythm.ts';
import { roundOf } from './round.ts';

const line = (count: number, lengths: readonly number[] = [1]) =>
  inRhythm(
    Array.from({ length: count }, (_, i) => `n${i}`),
    lengths,
    'legato',
  );

/** What is said before the first note: two bars in the counted beat, the second one beginning with its number. */
const COUNTED: Readonly<Record<string, string>> = {
  '4/4': '1 2 3 4 2 2 3 4',
  '2/2': '1 2 2 2',
  '3/4': '1 2 3 2 2 3',
  '2/4': '1 2 2 2',
  '6/8': '1 2 2 2',
  '9/8': '1 2 3 2 2 3',
  '12/8': '1 2 3 4 2 2 3 4',
};

test.each(METRE_NAMES.map((name) => [name]))(
  'in %s two bars are counted at the tempo that follows',
  (name) => {
    const { beats: beatsPerBar } = metre(name);
    const round = roundOf({ notes: line(5), beatsPerBar, perMinute: 90, countIn: true });
    const counted = round.beats.filter((beat) => beat.counted);
    expect(counted.map(({ said }) => said).join(' ')).toBe(COUNTED[name]);
    expect(round.begins).toBeCloseTo((2 * beatsPerBar * 60) / 90);
    round.beats.forEach(({ at }, i) => expect(at).toBeCloseTo((i * 60) / 90));
    expect(round.notes[0]!.at).toBeCloseTo(round.begins);
    // The round ends with a bar.
    expect(((round.ends - round.begins) * 90) / 60 / beatsPerBar).toBeCloseTo(round.bars.length);
    expect(round.bars).toHaveLength(Math.ceil(5 / beatsPerBar));
  },
);

test('without a count it begins at once', () => {
  const round = roundOf({ notes: line(4), beatsPerBar: 4, perMinute: 120, countIn: false });
  expect([round.begins, round.ends]).toEqual([0, 2]);
  expect(round.beats.map(({ beat }) => beat)).toEqual([1, 2, 3, 4]);
});

test.each([40, 92, 208])('at %d a minute the beats of ten minutes are where they should be', (perMinute) => {
  const count = perMinute * 10;
  const round = roundOf({ notes: line(count), beatsPerBar: 4, perMinute, countIn: true });
  round.notes.forEach(({ at }, i) => expect(Math.abs(at - ((i + 8) * 60) / perMinute)).toBeLessThan(1e-6));
  round.beats.forEach(({ at }, i) => expect(Math.abs(at - (i * 60) / perMinute)).toBeLessThan(1e-6));
});
