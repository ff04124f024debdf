import type { LineView, MapView, WayView } from '@same-song/core/route';

/** What is marked on Map: a note of the line, a way, or nothing; and all that sounds the same. */
export interface Selection {
  readonly note: LineView | undefined;
  readonly way: WayView | undefined;
  readonly related: ReadonlySet<string>;
}

const WAY = 'way.';
const NOTHING: Selection = { note: undefined, way: undefined, related: new Set() };

/** The selection as the link writes it. */
export function noteSelection(noteId: string): string {
  return noteId;
}
export function waySelection(wayId: string): string {
  return WAY + wayId;
}

/** Reads the link's selection; one that names nothing here is no selection. */
export function readSelection(view: MapView | undefined, at: string | undefined): Selection {
  if (!view || at === undefined || at === '') return NOTHING;
  const note = at.startsWith(WAY) ? undefined : view.line.find((one) => one.id === at);
  const wayId = at.startsWith(WAY) ? at.slice(WAY.length) : note?.wayId;
  const way = view.ways.find((w) => w.id === wayId);
  const pitch = note?.pitch ?? way?.pitch;
  if (pitch === undefined) return NOTHING;
  return { note, way, related: new Set(view.ways.filter((w) => w.pitch === pitch).map((w) => w.id)) };
}
