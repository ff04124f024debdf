import type { Air } from '../families/way.ts';
import { commonMeasure, QUARTER, type Ticks } from '../time/ticks.ts';

/** How full the bellows are along a line: pulling opens them, pushing closes them, half their room each way. */
export interface Bellows {
  /** Units in one direction from the middle until they are full or empty. */
  readonly room: number;
  /** Changes are counted in whole units of so many ticks: exact while all notes are multiples of it. */
  readonly unit: Ticks;
}

/** Most units from the middle to one end: finer differences are rounded, so that states stay few. */
const UNITS = 64;

/** Ticks from the middle to one end. @param capacity quarter notes in one direction from full to empty */
export function roomOf(capacity: number): Ticks {
  return (capacity * QUARTER) / 2;
}

/** Bellows for notes of some lengths. @param capacity quarter notes in one direction from full to empty */
export function bellowsFor(lengths: readonly Ticks[], capacity: number): Bellows {
  const room = roomOf(capacity);
  const unit = Math.max(commonMeasure(lengths), Math.ceil(room / UNITS));
  return { room: Math.floor(room / unit), unit };
}

/** A change of the bellows. */
export interface BellowsMove {
  /** How far above (open) or below (closed) the middle they are afterwards. */
  readonly filled: number;
  /** True where the air button had to help. */
  readonly helped: boolean;
}

/**
 * One note more, all in one measure, ticks or units. Where it would go beyond the room, the air button brings the
 * bellows back to the middle first; a note longer than the room needs it throughout and leaves them in the middle.
 */
export function moveBellows(filled: number, air: Air | undefined, length: number, room: number): BellowsMove {
  if (air === undefined) return { filled, helped: false };
  const change = air === 'in' ? length : -length;
  if (Math.abs(filled + change) <= room) return { filled: filled + change, helped: false };
  return { filled: length > room ? 0 : change, helped: true };
}
