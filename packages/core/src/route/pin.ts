import type { FingeredWay } from '../families/way.ts';

/** A choice the user made: this note is played this way; at most one a note. */
export interface Pin {
  /** Id of a note of the line. */
  readonly noteId: string;
  readonly wayId: string;
  /** The finger or hand as well; any when left out. */
  readonly fingering?: string;
}

/** Whether a fingered way is as pinned. */
export function keepsPin({ wayId, fingering }: Pin, way: FingeredWay): boolean {
  return way.way.id === wayId && (fingering === undefined || fingering === way.fingering);
}
