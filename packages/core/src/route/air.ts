import type { PlayedHold } from '../families/way.ts';
import { QUARTER } from '../time/ticks.ts';
import { moveBellows, roomOf } from './bellows.ts';

/** The running balance of air, in quarter notes: above 0 the lungs (or bellows) are fuller than at the start. */
export interface AirBalance {
  /** Balance after each hold, once before the first, and where air was taken. */
  readonly points: readonly { readonly beat: number; readonly balance: number }[];
  readonly most: number;
  readonly least: number;
  /** Quarter notes in one direction before the store is full or empty; undefined where it is not limited. */
  readonly capacity: number | undefined;
  /** Ids of the notes before which air must be taken or let go, because the store would run out. */
  readonly helps: readonly string[];
}

/** A hold takes or gives air for as long as its longest note. */
export type Breath = Pick<PlayedHold, 'noteIds' | 'hold' | 'onset' | 'length'>;

/**
 * What is drawn less what is blown; rests leave it as it is. With a capacity, half of it free in each direction at the
 * start, the balance is set back to the middle before a hold that would go beyond it, and that hold is listed.
 */
export function airBalance(breaths: readonly Breath[], capacity?: number): AirBalance {
  const room = capacity === undefined ? Infinity : roomOf(capacity);
  const helps: string[] = [];
  let balance = 0;
  const points = [{ beat: 0, balance }];
  const mark = (onset: number) => points.push({ beat: onset / QUARTER, balance: balance / QUARTER });
  for (const { noteIds, hold, onset, length } of breaths) {
    const { filled, helped } = moveBellows(balance, hold[0]!.way.air, length, room);
    if (helped) {
      helps.push(noteIds.at(-1)!);
      balance = 0;
      mark(onset);
    }
    balance = filled;
    mark(onset + length);
  }
  const balances = points.map((point) => point.balance);
  return { points, most: Math.max(...balances), least: Math.min(...balances), capacity, helps };
}
