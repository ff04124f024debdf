import type { RouteNote } from './route.ts';

/** The running balance of air, in beats: above 0 the lungs (or bellows) are fuller than at the start. */
export interface AirBalance {
  /** Balance after each note, and once before the first: one longer than the line. */
  readonly points: readonly { readonly beat: number; readonly balance: number }[];
  readonly most: number;
  readonly least: number;
  /** Beats in one direction before the store is full or empty; undefined where it is not limited. */
  readonly capacity: number | undefined;
  /** Notes before which air must be taken or let go, because the store would run out. */
  readonly helps: readonly number[];
}

/**
 * Beats drawn less beats blown; notes that cannot be had and rests leave it as it is.
 * With a capacity (in beats, half of it free in each direction at the start) the balance is set back to the middle
 * where a note would go beyond it, and that note is listed.
 */
export function airBalance(notes: readonly RouteNote[], capacity?: number): AirBalance {
  let balance = 0;
  const points = [{ beat: 0, balance }];
  const helps: number[] = [];
  const room = capacity === undefined ? Infinity : capacity / 2;
  for (const note of notes) {
    const change = note.way?.air ? (note.way.air === 'in' ? note.beats : -note.beats) : 0;
    if (change !== 0 && Math.abs(balance + change) > room) {
      helps.push(note.index);
      balance = 0;
      points.push({ beat: note.start, balance });
    }
    balance += change;
    points.push({ beat: note.start + note.beats, balance });
  }
  const balances = points.map((p) => p.balance);
  return { points, most: Math.max(...balances), least: Math.min(...balances), capacity, helps };
}
