import fc from 'fast-check';
import { songOf } from '../../test/samples/song.ts';
import { soundingPitch } from '../pitch/spelledPitch.ts';
import { expectOk } from '../result.ts';
import { quarters } from '../time/ticks.ts';
import { melodyLine } from './songLine.ts';
import { tapRhythm, type Tapping } from './tapRhythm.ts';

const COMMON: Tapping['metre'] = { count: 4, unit: 4 };
const song = songOf('C4 D4 E4 F4');
const line = (of: typeof song) =>
  melodyLine(of).map(({ pitch, onset, length }) => [pitch, onset / quarters(1), length / quarters(1)]);

test('taps a little off fall on the beats and halves that were meant', () => {
  // At 120 a minute: a quarter, two eighths, then a half that is let go on the next bar line.
  const tapped = expectOk(
    tapRhythm(song, { taps: [12, 490, 760, 1015], end: 1980, beatMs: 500, metre: COMMON }),
  );
  expect(line(tapped)).toEqual([
    [60, 0, 1],
    [62, 1, 0.5],
    [64, 1.5, 0.5],
    [65, 2, 2],
  ]);
  expect(tapped.tempos).toEqual([{ at: 0, beat: quarters(1), perMinute: 120 }]);
  expect(tapped.bars).toEqual([{ length: quarters(4) }]);
});

test('begun on the last beat it has a pickup, and what goes over the bar line is tied', () => {
  const tapped = expectOk(
    tapRhythm(song, { taps: [1500, 2000, 4500, 5000], end: 6000, beatMs: 500, metre: COMMON }),
  );
  expect(tapped.bars.map(({ length }) => length / quarters(1))).toEqual([1, 4, 4]);
  expect(line(tapped)).toEqual([
    [60, 0, 1],
    [62, 1, 5],
    [64, 6, 1],
    [65, 7, 2],
  ]);
});

test('in a jig the dotted beat is counted, and thirds of it are found', () => {
  const metre = { count: 6, unit: 8 };
  const tapped = expectOk(tapRhythm(song, { taps: [0, 400, 590, 1190], end: 1200, beatMs: 600, metre }));
  expect(line(tapped)).toEqual([
    [60, 0, 1],
    [62, 1, 0.5],
    [64, 1.5, 1.5],
    [65, 3, 0.5],
  ]);
});

test('three that share a beat evenly are a triplet, the others stay on their halves', () => {
  const five = songOf('C4 D4 E4 F4 G4 A4');
  const taps = [10, 500, 680, 830, 1010, 1260];
  const tapped = expectOk(tapRhythm(five, { taps, end: 1490, beatMs: 500, metre: COMMON }));
  expect(line(tapped)).toEqual([
    [60, 0, 1],
    [62, 1, 1 / 3],
    [64, 4 / 3, 1 / 3],
    [65, 5 / 3, 1 / 3],
    [67, 2, 0.5],
    [69, 2.5, 0.5],
  ]);
  expect(tapped.parts[0]!.voices[0]!.tuplets).toEqual([
    { onset: quarters(1), length: quarters(1), actual: 3, normal: 2 },
  ]);
});

test('a tap too many or too few is told', () => {
  const short = tapRhythm(song, { taps: [0, 500], end: 900, beatMs: 500, metre: COMMON });
  expect(short).toMatchObject({
    ok: false,
    problems: [{ message: 'The tune has 4 notes, and 2 were tapped.' }],
  });
});

test('whatever is tapped, no note is lost or of no length, and pitches keep their names', () => {
  const named = songOf('C4 Db4 C4 F#4');
  const gaps = fc.array(fc.integer({ min: 1, max: 3000 }), { minLength: 5, maxLength: 5 });
  fc.assert(
    fc.property(gaps, fc.integer({ min: 200, max: 2000 }), (waits, beatMs) => {
      let at = 0;
      const times = waits.map((wait) => (at += wait));
      const tapped = expectOk(
        tapRhythm(named, { taps: times.slice(0, 4), end: times[4]!, beatMs, metre: { count: 3, unit: 4 } }),
      );
      const notes = tapped.parts[0]!.voices[0]!.notes;
      expect(melodyLine(tapped)).toHaveLength(4);
      expect(Math.min(...notes.map(({ length }) => length))).toBeGreaterThan(0);
      for (const { pitch } of notes)
        expect(pitch.letter).toBe(
          ({ 60: 'C', 61: 'D', 66: 'F' } as Record<number, string>)[soundingPitch(pitch)],
        );
    }),
  );
});
