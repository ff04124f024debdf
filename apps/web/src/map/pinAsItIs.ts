import type { LineView, Pin } from '@same-song/core/route';

/** A pin to a way; to the finger too where it is the way that is played now. */
export function pinAsItIs(note: LineView, wayId: string): Pin {
  const fingering = note.wayId === wayId ? note.fingering?.id : undefined;
  return { noteId: note.id, wayId, ...(fingering === undefined ? {} : { fingering }) };
}
