import * as v from 'valibot';
import { fields, text } from '../schema.ts';
import type { FingeredWay } from '../families/way.ts';

const ID = text(80, 0, 'A pin must name a note of the line and a way to play it.');

export const PIN = fields({
  /** Id of a note of the line. */
  noteId: ID,
  wayId: ID,
  /** The finger or hand as well; any when left out. */
  fingering: v.exactOptional(ID),
});

/** A choice the user made: this note is played this way; at most one a note. */
export interface Pin extends v.InferOutput<typeof PIN> {}

/** Whether a fingered way is as pinned. */
export function keepsPin({ wayId, fingering }: Pin, way: FingeredWay): boolean {
  return way.way.id === wayId && (fingering === undefined || fingering === way.fingering);
}
