import type { Family, Form, Instrument, LineView, PitchClass, Scene, TimedNote } from '@same-song/core';

/** Something laid out so that it can be played round after round. */
export interface Playable {
  readonly title: string;
  /** The instrument, its position … */
  readonly facts: readonly string[];
  readonly family: Family;
  readonly instrument: Instrument;
  readonly instrumentId: string;
  /** Notes by id, as they lie on the instrument. */
  readonly line: ReadonlyMap<string, LineView>;
  /** In counted beats, in the rhythm in which they are played. */
  readonly notes: readonly TimedNote[];
  readonly beatsPerBar: number;
  /** Counted beats of its bar before the first note. */
  readonly phase: number;
  readonly scene: Scene;
  /** What each way says to a screen reader, and what it is in words. */
  readonly names: ReadonlyMap<string, string>;
  readonly words: ReadonlyMap<string, string>;
  readonly a4: number;
  /** What can be played along with it. */
  readonly form: Form | undefined;
  readonly home: PitchClass;
  /** What to mind with the techniques that are used. */
  readonly cautions: readonly string[];
}

/** Notes that stand side by side on the stand. */
export const ROW = 8;

/** The notes of a playable in rows of whole bars, as many as can be read from afar; by their place in its notes. */
export function standRows(
  { notes, beatsPerBar, phase }: Pick<Playable, 'notes' | 'beatsPerBar' | 'phase'>,
  most = ROW,
): readonly (readonly number[])[] {
  const bars: number[][] = [];
  notes.forEach(({ start }, i) => {
    const bar = Math.floor((phase + start) / beatsPerBar + 1e-9);
    (bars[bar] ??= []).push(i);
  });
  const rows: number[][] = [];
  for (const bar of bars) {
    if (!bar) continue;
    const last = rows.at(-1);
    if (last && last.length + bar.length <= most) last.push(...bar);
    else for (let at = 0; at < bar.length; at += most) rows.push(bar.slice(at, at + most));
  }
  return rows;
}
