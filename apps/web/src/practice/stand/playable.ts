import type { Family, Instrument, Scene } from '@same-song/core/instruments';
import type { PitchClass } from '@same-song/core/music';
import type { Form, Round } from '@same-song/core/practice';
import type { Feel } from '@same-song/core/song';
import type { LineView } from '@same-song/core/route';

/** A note of a round, its time, and the place of its bar. */
export type PlayedNote = Pick<Round['notes'][number], 'noteId' | 'at' | 'seconds' | 'bar'>;

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
  /** As they are played, one after the other; a note of the line may come several times. */
  readonly notes: readonly PlayedNote[];
  /** Counted beats of the first bar. */
  readonly beatsPerBar: number;
  /** One round in time, its notes those above. @param perMinute counted beats a minute where it begins */
  layOut(perMinute: number): Round;
  readonly scene: Scene;
  /** What each way says to a screen reader, and what it is in words. */
  readonly names: ReadonlyMap<string, string>;
  readonly words: ReadonlyMap<string, string>;
  readonly a4: number;
  /** What can be played along with it. */
  readonly form: Form | undefined;
  /** How its eighths are played; where it does not matter, as what accompanies it has them. */
  readonly feel: Feel | undefined;
  readonly home: PitchClass;
  /** What to mind with the techniques that are used. */
  readonly cautions: readonly string[];
}

/** The notes of a playable in rows of whole bars, as many as can be read from afar; by their place in its notes. */
export function standRows(
  notes: readonly Pick<PlayedNote, 'bar'>[],
  most: number,
): readonly (readonly number[])[] {
  const bars: number[][] = [];
  notes.forEach(({ bar }, i) => (bars[bar] ??= []).push(i));
  const rows: number[][] = [];
  for (const bar of bars) {
    if (!bar) continue;
    const last = rows.at(-1);
    if (last && last.length + bar.length <= most) last.push(...bar);
    else for (let at = 0; at < bar.length; at += most) rows.push(bar.slice(at, at + most));
  }
  return rows;
}
