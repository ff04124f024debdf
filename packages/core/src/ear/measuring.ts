import type * as v from 'valibot';
import type { Instrument } from '../instrument/instrument.ts';
import { A4, CENTS_RANGE, type Measured } from '../instrument/personal.ts';
import { byId, fields, isoTime, number, whole } from '../schema.ts';
import type { Measurement } from './measure.ts';
import { median } from './median.ts';

/** Ways of one measuring, and cents between the lowest and the highest of a way: within reach of a pitch, both sides. */
const LIMITS = Object.freeze({ ways: 400, cents: 200, spread: 240, count: 100_000 });

const WAY_MEASURED = fields({
  /** Pitch that its layout gave it then. */
  pitch: whole(0, 127),
  /** Middle of what was heard, in cents above that pitch. */
  cents: number(-LIMITS.cents, LIMITS.cents),
  /** Between the lowest and the highest, in cents. */
  spread: number(0, LIMITS.spread),
  /** Notes that were heard. */
  count: whole(1, LIMITS.count),
});

export const MEASURING = {
  at: isoTime('When it was measured is written as 2026-05-04T17:30:00Z.'),
  /** Hz of the A from which the cents are counted. */
  a4: A4,
  /** By id. */
  ways: byId(WAY_MEASURED, LIMITS.ways, `A measuring has 1 to ${LIMITS.ways} ways.`, 1),
};

/** What was heard of one way when an instrument was measured. */
export interface WayMeasured extends v.InferOutput<typeof WAY_MEASURED> {}

/** An instrument measured once, way by way. */
export interface Measuring extends Readonly<
  v.InferOutput<v.StrictObjectSchema<typeof MEASURING, undefined>>
> {}

/** What is kept of measurements that were just made. @param at ISO 8601 */
export function measuringOf(
  instrument: Instrument,
  measurements: readonly Measurement[],
  at: string,
): Measuring {
  const tenth = (value: number) => Math.round(10 * value) / 10;
  return {
    at,
    a4: instrument.spec.a4,
    ways: Object.fromEntries(
      measurements.map(({ way, cents, spread, count }) => [
        way.id,
        {
          pitch: way.pitch,
          cents: tenth(cents + (way.cents ?? 0)),
          spread: tenth(spread),
          count,
        },
      ]),
    ),
  };
}

/**
 * The middle of several measurings for each way that still sounds the pitch it was measured at, counted from the
 * instrument's own A: what its map may take.
 */
export function middles(instrument: Instrument, measurings: readonly Measuring[]): Measured {
  const { lowest, highest } = CENTS_RANGE;
  return Object.fromEntries(
    instrument.ways.flatMap((way) => {
      const all = measurings.flatMap(({ a4, ways }) => {
        const heard = ways[way.id];
        return heard?.pitch === way.pitch ? [heard.cents + 1200 * Math.log2(a4 / instrument.spec.a4)] : [];
      });
      if (all.length === 0) return [];
      const cents = Math.round(median(all));
      return cents < lowest || cents > highest ? [] : [[way.id, { pitch: way.pitch, cents }] as const];
    }),
  );
}
