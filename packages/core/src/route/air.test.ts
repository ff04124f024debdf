import fc from 'fast-check';
import { ableInstrument } from '../../test/instruments.ts';
import { usesTogether, type AirStore } from '../families/air.ts';
import type { Air, FingeredWay, PlayedHold } from '../families/way.ts';
import { UNHURRIED } from '../time/noteTiming.ts';
import { QUARTER } from '../time/ticks.ts';
import { airBalance, airShortages, NO_PLACES } from './air.ts';
import { AIR_UNITS } from './airState.ts';

/** In halves of a second, a twentieth of ten seconds each, so that units are exact. */
interface Blown {
  readonly air: Air | undefined;
  readonly halves: number;
  readonly isAfterRest?: boolean;
}

/** Holds with nothing but what air needs, two quarter notes to half a second. */
function lineOf(line: readonly Blown[]): PlayedHold[] {
  let onset = 0;
  return line.map(({ air, halves, isAfterRest = false }, index) => {
    const length = 2 * halves * QUARTER;
    const timing = { ...UNHURRIED, seconds: halves / 2, rest: isAfterRest ? 1 : 0 };
    const hold = [{ way: { air, pitch: 60 }, fingering: undefined } as FingeredWay];
    const played = { noteIds: [String(index)], hold, onset, length, timing, carried: '' };
    onset += length;
    return played;
  });
}

const TEN: AirStore = { seconds: 10, comfortable: 10, uses: usesTogether(2 / 3) };
const anglo = ableInstrument('anglo', 'C-G-sharp-on-push');
const harp = ableInstrument('diatonic', '60');
const blown = fc.array(
  fc.record({
    air: fc.constantFrom<Air | undefined>('in', 'out', undefined),
    halves: fc.integer({ min: 1, max: 8 }),
    isAfterRest: fc.integer({ min: 0, max: 9 }).map((n) => n === 0),
  }),
  { minLength: 1, maxLength: 40 },
);
const signed = ({ air, halves }: Blown) => (air === undefined ? 0 : air === 'in' ? halves : -halves);

/** How far bellows go from where they stand before a stretch. */
function spanOf(stretch: readonly Blown[]): number {
  const sums = [0];
  for (const one of stretch) sums.push(sums.at(-1)! + signed(one));
  return Math.max(...sums) - Math.min(...sums);
}

/** Stretches between rests and helps. */
function stretchesOf(line: readonly Blown[], helps: readonly string[]): Blown[][] {
  const stretches: Blown[][] = [[]];
  for (const [i, one] of line.entries()) {
    if (i > 0 && (one.isAfterRest || helps.includes(String(i)))) stretches.push([]);
    stretches.at(-1)!.push(one);
  }
  return stretches;
}

test('between two helps or rests bellows go no farther than they do, and curves stay within them', () => {
  fc.assert(
    fc.property(blown, (line) => {
      const { helps, points } = airBalance(anglo, lineOf(line), TEN);
      for (const stretch of stretchesOf(line, helps)) expect(spanOf(stretch)).toBeLessThanOrEqual(AIR_UNITS);
      for (const { balance } of points) {
        expect(balance).toBeGreaterThan(-1e-9);
        expect(balance).toBeLessThan(10 + 1e-9);
      }
    }),
  );
});

test('the air button helps no more often than it must: as often as when it is always left to the last moment', () => {
  fc.assert(
    fc.property(blown, (line) => {
      let [helps, from] = [0, 0];
      for (const [i, one] of line.entries()) {
        if (one.isAfterRest) from = i;
        if (spanOf(line.slice(from, i + 1)) <= AIR_UNITS) continue;
        helps += 1;
        from = i;
      }
      expect(airShortages(anglo, lineOf(line), TEN, NO_PLACES)).toBe(helps);
      expect(airBalance(anglo, lineOf(line), TEN).helps).toHaveLength(helps);
    }),
  );
});

test('of as few places for the air button the one that costs least is taken', () => {
  const pulls = Array.from({ length: 8 }, () => ({ air: 'in', halves: 4 }) as const);
  const at = (cheap: string) =>
    airBalance(anglo, lineOf(pulls), TEN, {
      ...NO_PLACES,
      costBefore: (id) => (id === cheap ? 1 : 9),
    }).helps;
  // Sixteen seconds pulled of ten: one help, before the fourth note at the earliest and the sixth at the latest.
  expect(at('4')).toEqual(['4']);
  expect(at('5')).toEqual(['5']);
  expect(at('2')).not.toEqual(['2']);
  expect(at('2')).toHaveLength(1);
});

test('a line begins with the bellows where it needs them: shut before a pull, open before a push', () => {
  const start = (...line: Blown[]) => airBalance(anglo, lineOf(line), TEN).start;
  expect(start({ air: 'in', halves: 8 })).toBe('shut');
  expect(start({ air: 'out', halves: 8 })).toBe('open');
  expect(start({ air: 'in', halves: 2 }, { air: 'out', halves: 12 })).toBe('half open');
});

test('lungs are counted one way at a time: the other way, a rest and a breath begin anew', () => {
  const short = (line: readonly Blown[], breath = '') => {
    const places = { ...NO_PLACES, isBreath: (id: string) => id === breath };
    return airBalance(harp, lineOf(line), TEN, places).helps;
  };
  const draws = Array.from({ length: 12 }, () => ({ air: 'in', halves: 4 }) as const);
  // Two seconds each: the sixth begins after ten, with full lungs, and so do those that follow.
  expect(short(draws)).toEqual(['5', '6', '7', '8', '9', '10', '11']);
  expect(short(draws, '4')).toEqual(['9', '10', '11']);
  const turned = draws.map((one, i) => (i === 4 ? ({ air: 'out', halves: 1 } as const) : one));
  expect(short(turned)).toEqual(['10', '11']);
  const rested = draws.map((one, i) => ({ ...one, isAfterRest: i === 6 }));
  expect(short(rested)).toEqual(['5', '11']);
});

test('the curve of lungs is what was drawn less what was blown since breath was taken', () => {
  const line = lineOf([
    { air: 'out', halves: 2 },
    { air: 'in', halves: 6 },
    { air: undefined, halves: 1 },
    { air: 'in', halves: 1, isAfterRest: true },
  ]);
  const { points, most, least } = airBalance(harp, line, TEN);
  expect(points).toEqual([
    { beat: 0, balance: 0 },
    { beat: 4, balance: -1 },
    { beat: 16, balance: 2 },
    { beat: 18, balance: 2 },
    { beat: 18, balance: 0 },
    { beat: 20, balance: 0.5 },
  ]);
  expect([most, least]).toEqual([2, -1]);
});
