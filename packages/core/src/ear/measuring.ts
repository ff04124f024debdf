import type { Instrument } from '../instrument/instrument.ts';
import { CENTS_RANGE, type Measured } from '../instrument/personal.ts';
import { A4_RANGE, type Pitch } from '../pitch/pitch.ts';
import { fail, isRecord, ok, shown, type Problem, type Result } from '../result.ts';
import type { Measurement } from './measure.ts';
import { median } from './median.ts';

/** What was heard of one way when an instrument was measured. */
export interface WayMeasured {
  /** Pitch that its layout gave it then. */
  readonly pitch: Pitch;
  /** Middle of what was heard, in cents above that pitch. */
  readonly cents: number;
  /** Between the lowest and the highest, in cents. */
  readonly spread: number;
  /** Notes that were heard. */
  readonly count: number;
}

/** An instrument measured once, way by way. */
export interface Measuring {
  /** ISO 8601, in UTC. */
  readonly at: string;
  /** Hz of the A from which the cents are counted. */
  readonly a4: number;
  /** By id. */
  readonly ways: Readonly<Record<string, WayMeasured>>;
}

/** Ways of one measuring, and cents between the lowest and the highest of a way: within reach of a pitch, both sides. */
const LIMITS = Object.freeze({ ways: 400, cents: 200, spread: 240, count: 100_000 });

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

/** Checks a measuring as it comes from a page or a file. Problem fields are its own. */
export function checkMeasuring(content: Readonly<Record<string, unknown>>): Result<Measuring> {
  const { at, a4, ways } = content;
  const problems: Problem[] = [];
  const time = typeof at === 'string' && /^\d{4}-\d\d-\d\dT/.test(at) ? Date.parse(at) : NaN;
  if (!Number.isFinite(time))
    problems.push({
      field: 'at',
      wrong: shown(at),
      message: 'When it was measured is written as 2026-05-04T17:30:00Z.',
    });
  if (!(typeof a4 === 'number' && a4 >= A4_RANGE.lowest && a4 <= A4_RANGE.highest))
    problems.push({
      field: 'a4',
      wrong: shown(a4),
      message: `The pitch of A must be from ${A4_RANGE.lowest} to ${A4_RANGE.highest} Hz.`,
    });
  const list = isRecord(ways) ? Object.entries(ways) : [];
  if (list.length === 0 || list.length > LIMITS.ways)
    problems.push({
      field: 'ways',
      wrong: shown(ways),
      message: `A measuring has 1 to ${LIMITS.ways} ways.`,
    });
  else
    for (const [id, measured] of list)
      if (!isWayMeasured(measured))
        problems.push({
          field: `ways.${id}`,
          wrong: shown(measured),
          message: `A way is measured as its pitch, cents from −${LIMITS.cents} to ${LIMITS.cents}, a spread and how often.`,
        });
  if (problems.length > 0) return fail(...problems);
  return ok({
    at: new Date(time).toISOString(),
    a4: a4 as number,
    ways: Object.fromEntries(
      (list as [string, WayMeasured][]).map(([id, { pitch, cents, spread, count }]) => [
        id,
        { pitch, cents, spread, count },
      ]),
    ),
  });
}

function isWayMeasured(value: unknown): boolean {
  const { pitch, cents, spread, count } = isRecord(value) ? value : {};
  const within = (n: unknown, least: number, most: number) =>
    typeof n === 'number' && n >= least && n <= most;
  return (
    Number.isInteger(pitch) &&
    within(pitch, 0, 127) &&
    within(cents, -LIMITS.cents, LIMITS.cents) &&
    within(spread, 0, LIMITS.spread) &&
    Number.isInteger(count) &&
    within(count, 1, LIMITS.count)
  );
}
