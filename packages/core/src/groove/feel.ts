/** How the two eighths of a quarter are played. */
export const FEELS = Object.freeze(['even', 'swung', 'dotted'] as const);
export type Feel = (typeof FEELS)[number];

/** Where in a dotted pair the second note begins. Source: three to one, as it is written. */
const DOTTED = 3 / 4;

/**
 * Where in a beat its second half begins. Swung eighths come at two thirds of it; from 120 a minute on they come earlier,
 * and are nearly even at 300.
 */
export function secondHalf(feel: Feel, perMinute: number): number {
  if (feel === 'even') return 1 / 2;
  if (feel === 'dotted') return DOTTED;
  const fast = Math.min(1, Math.max(0, (perMinute - 120) / 180));
  return 2 / 3 - fast * (2 / 3 - 0.54);
}

/** Where a place of a line is played whose beats have their second halves later. @param beats since the line began */
export function felt(beats: number, second: number): number {
  const beat = Math.floor(beats + 1e-9);
  const within = Math.max(0, beats - beat);
  return beat + (within < 1 / 2 ? 2 * within * second : second + (2 * within - 1) * (1 - second));
}
