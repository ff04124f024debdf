import type { Instrument } from '../instrument/instrument.ts';
import type { LogEntry } from './log.ts';
import { dayBefore, mondayOf, type DayOf } from './days.ts';
import { soundsTogether, type WaySound } from '../ear/waySound.ts';

/** What was heard of a way, of all on one place, of all of one technique. */
export interface SoundRow {
  /** Of the way, the place or the technique. */
  readonly id: string;
  readonly label: string;
  readonly sound: WaySound;
}

/** A week, from Monday on. */
export interface SoundWeek {
  /** Its Monday, `2026-05-04`. */
  readonly monday: string;
  /** Undefined where nothing was listened to. */
  readonly sound: WaySound | undefined;
}

/** What was sharp and flat, early and late, on one instrument. */
export interface SoundReport {
  readonly whole: WaySound | undefined;
  /** In the order of the instrument. */
  readonly ways: readonly SoundRow[];
  /** By hole, button, string, fret or tongue. */
  readonly places: readonly SoundRow[];
  readonly techniques: readonly SoundRow[];
  /** The last weeks, this one last. */
  readonly weeks: readonly SoundWeek[];
}

/**
 * What was heard of an instrument, from the log. Ways that the instrument does not have any more are left out.
 * @param weeks how many, at least 1
 */
export function soundReport(
  entries: readonly LogEntry[],
  instrument: Instrument,
  instrumentId: string,
  { today, weeks, dayOf }: { readonly today: string; readonly weeks: number; readonly dayOf: DayOf },
): SoundReport {
  const own = new Map(instrument.ways.map((way) => [way.id, way]));
  const techniques = new Map(instrument.family.techniques.map(({ id, label }) => [id, label]));
  const byWay = new Map<string, WaySound>();
  const byPlace = new Map<string, WaySound>();
  const byTechnique = new Map<string, WaySound>();
  const byWeek = new Map<string, WaySound | undefined>();
  for (let back = weeks - 1; back >= 0; back -= 1)
    byWeek.set(dayBefore(mondayOf(today), 7 * back), undefined);
  let whole: WaySound | undefined;
  const add = (to: Map<string, WaySound>, id: string, sound: WaySound) =>
    to.set(id, soundsTogether(to.get(id), sound)!);
  for (const entry of entries) {
    if (entry.instrumentId !== instrumentId) continue;
    const monday = mondayOf(dayOf(entry.at));
    for (const [wayId, { sound }] of Object.entries(entry.ways)) {
      const way = own.get(wayId);
      if (!way || !sound || sound.times === 0) continue;
      whole = soundsTogether(whole, sound);
      add(byWay, wayId, sound);
      add(byPlace, way.place, sound);
      add(byTechnique, way.technique, sound);
      if (byWeek.has(monday)) byWeek.set(monday, soundsTogether(byWeek.get(monday), sound));
    }
  }
  const rows = (ids: Iterable<string>, of: ReadonlyMap<string, WaySound>, label: (id: string) => string) =>
    [...new Set(ids)].flatMap((id): SoundRow[] => {
      const sound = of.get(id);
      return sound ? [{ id, label: label(id), sound }] : [];
    });
  return {
    whole,
    ways: rows(own.keys(), byWay, (id) => own.get(id)!.words),
    places: rows(
      instrument.ways.map(({ place }) => place),
      byPlace,
      (place) => place,
    ),
    techniques: rows(techniques.keys(), byTechnique, (id) => techniques.get(id)!),
    weeks: [...byWeek].map(([monday, sound]) => ({ monday, sound })),
  };
}

/** Sooner or later by less is in time, in ms. */
const IN_TIME = 30;

/** `in time`, `40 ms late`. */
export function timeWords(ms: number): string {
  const off = Math.round(Math.abs(ms));
  return off < IN_TIME ? 'in time' : `${off} ms ${ms > 0 ? 'late' : 'early'}`;
}

/** Share of what was heard that was in tune, and in time; from 0 to 1. */
export function shares({ times, sharp, flat, early, late }: WaySound): {
  readonly inTune: number;
  readonly inTime: number;
} {
  const whole = Math.max(1, times);
  return { inTune: 1 - (sharp + flat) / whole, inTime: 1 - (early + late) / whole };
}
