import type { RouteNote } from './route.ts';

/** The running balance of air, in beats: above 0 the lungs (or bellows) are fuller than at the start. */
export interface AirBalance {
  /** Balance after each note, and once before the first: one longer than the line. */
  readonly points: readonly { readonly beat: number; readonly balance: number }[];
  readonly most: number;
  readonly least: number;
}

/** Beats drawn less beats blown; notes that cannot be had and rests leave it as it is. */
export function airBalance(notes: readonly RouteNote[]): AirBalance {
  let balance = 0;
  const points = [{ beat: 0, balance }];
  for (const note of notes) {
    if (note.way?.air) balance += note.way.air === 'in' ? note.beats : -note.beats;
    points.push({ beat: note.start + note.beats, balance });
  }
  const balances = points.map((p) => p.balance);
  return { points, most: Math.max(...balances), least: Math.min(...balances) };
}
