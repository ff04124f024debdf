/** Where a line goes over its notes. */
export const DIRECTIONS = Object.freeze(['up', 'down', 'both', 'down-up'] as const);
export type Direction = (typeof DIRECTIONS)[number];
