import * as v from 'valibot';
import { fields, number, whole } from '../schema.ts';

const COUNT = whole(0, 100_000);

/** Cents or ms that a mean may be off. */
const OFF_LIMIT = 10_000;

const WAY_SOUND = fields({
  /** How often it was heard. */
  times: COUNT,
  /** Mean, in cents above where it is tuned; below where negative. */
  cents: number(-OFF_LIMIT, OFF_LIMIT),
  /** How often it was too high, and too low, to be in tune. */
  sharp: COUNT,
  flat: COUNT,
  /** Mean, in ms after it was wanted; before where negative. */
  ms: number(-OFF_LIMIT, OFF_LIMIT),
  /** How often it came too early, and too late. */
  early: COUNT,
  late: COUNT,
});

export const WAY_COUNT = fields({ played: COUNT, missed: COUNT, sound: v.exactOptional(WAY_SOUND) });

/** How a way sounded where it was listened to. */
export interface WaySound extends v.InferOutput<typeof WAY_SOUND> {}

/** How a way went: played, missed, and how it sounded if it was listened to. */
export interface WayCount extends v.InferOutput<typeof WAY_COUNT> {}

/** What two tellings of sounds come to; means by how often each was heard. */
export function soundsTogether(a: WaySound | undefined, b: WaySound | undefined): WaySound | undefined {
  if (!a || !b) return a ?? b;
  const times = a.times + b.times;
  const mean = (one: number, other: number) =>
    times === 0 ? 0 : Math.round((10 * (one * a.times + other * b.times)) / times) / 10;
  return {
    times,
    cents: mean(a.cents, b.cents),
    sharp: a.sharp + b.sharp,
    flat: a.flat + b.flat,
    ms: mean(a.ms, b.ms),
    early: a.early + b.early,
    late: a.late + b.late,
  };
}

/** What two tellings of one way come to. */
export function countsTogether(a: WayCount | undefined, b: WayCount): WayCount {
  if (!a) return b;
  const sound = soundsTogether(a.sound, b.sound);
  return { played: a.played + b.played, missed: a.missed + b.missed, ...(sound && { sound }) };
}

/** The same of all ways, by id. */
export function waysTogether(
  a: Readonly<Record<string, WayCount>>,
  b: Readonly<Record<string, WayCount>>,
): Readonly<Record<string, WayCount>> {
  const sum: Record<string, WayCount> = { ...a };
  for (const [id, count] of Object.entries(b)) sum[id] = countsTogether(sum[id], count);
  return sum;
}
