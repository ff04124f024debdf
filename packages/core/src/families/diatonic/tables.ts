import { keysOf } from '../../objects.ts';
import type { UnusualKeys } from '../kernel/position.ts';

/** Semitones of the ten holes above hole 1 blow of the standard plan. */
export interface Tuning {
  readonly label: string;
  readonly about: string;
  /** In 1st position. */
  readonly ownScale: string;
  readonly blow: readonly number[];
  readonly draw: readonly number[];
}

/** Source: standard Richter reed plan of the ten-hole diatonic harmonica. Holes 1 to 10 from left to right. */
const RICHTER = Object.freeze({
  //     hole  1  2  3   4   5   6   7   8   9   10
  blow: [0, 4, 7, 12, 16, 19, 24, 28, 31, 36],
  draw: [2, 7, 11, 14, 17, 21, 23, 26, 29, 33],
});

/** Semitones by which a reed differs from the standard plan, by hole number. */
interface ReedChanges {
  readonly blow?: Readonly<Record<number, number>>;
  readonly draw?: Readonly<Record<number, number>>;
}

function retuned(label: string, about: string, changes: ReedChanges, ownScale = 'major'): Tuning {
  const apply = (reeds: readonly number[], by: Readonly<Record<number, number>> = {}) =>
    Object.freeze(reeds.map((semitones, index) => semitones + (by[index + 1] ?? 0)));
  return Object.freeze({
    label,
    about,
    ownScale,
    blow: apply(RICHTER.blow, changes.blow),
    draw: apply(RICHTER.draw, changes.draw),
  });
}

/** Source: reed changes against the standard plan, as players and makers commonly describe them. */
export const TUNINGS = Object.freeze({
  richter: retuned('standard', 'The standard reed plan.', {}),
  'third-raised': retuned('third hole raised', 'Hole 3 blow up two semitones, for fiddle tunes.', {
    blow: { 3: 2 },
  }),
  country: retuned('country', 'Hole 5 draw up a semitone: the major seventh of 2nd position.', {
    draw: { 5: 1 },
  }),
  'natural-minor': retuned(
    'natural minor',
    'Blow 2, 5, 8 and draw 3, 7 down a semitone.',
    { blow: { 2: -1, 5: -1, 8: -1 }, draw: { 3: -1, 7: -1 } },
    'natural-minor',
  ),
  'harmonic-minor': retuned(
    'harmonic minor',
    'Blow 2, 5, 8 and draw 6, 10 down a semitone.',
    { blow: { 2: -1, 5: -1, 8: -1 }, draw: { 6: -1, 10: -1 } },
    'harmonic-minor',
  ),
});
export type TuningId = keyof typeof TUNINGS;
export const TUNING_IDS = Object.freeze(keysOf(TUNINGS));

/** How unusual a position is. Source: the order in which teachers take harmonicas to a key. */
export const POSITIONS: UnusualKeys = Object.freeze({
  byPosition: { 1: 0, 2: 0, 3: 0.12, 4: 0.15, 5: 0.3, 12: 0.15 },
  others: 0.5,
});

/** Semitones above hole 1 blow where a position begins: 1st on 4 blow, 2nd on 2 draw, 3rd on 4 draw. */
export const BEGINS: Readonly<Record<number, number>> = Object.freeze({ 1: 12, 2: 7, 3: 14 });
