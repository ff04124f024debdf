import type { LineView } from '@same-song/core/route';

/** Measures of a row of notes in CSS pixels; its axis lies in the middle of its height. */
export interface RowSize {
  /** Class that carries the sizes of letters. */
  readonly name: 'line' | 'system' | 'stand';
  /** From the top to the axis. */
  readonly axis: number;
  /** Height of a chip, and its distance from the axis. */
  readonly chip: number;
  readonly gap: number;
  /** Widths of a chip; between them it takes what room its note has, less `margin`. */
  readonly narrowest: number;
  readonly widest: number;
  readonly margin: number;
  /** Usual width of one letter of a tab, beyond whose sum a chip is set tighter. */
  readonly letter: number;
  /** Height of the line of text on the other side of the axis, and of that beyond it. */
  readonly text: number;
  /** Strokes of the axis and the thread. */
  readonly strokes: readonly [axis: number, thread: number];
}

/** A line of Map. */
export const LINE_ROW: RowSize = {
  name: 'line',
  axis: 62,
  chip: 38,
  gap: 12,
  narrowest: 30,
  widest: 88,
  margin: 8,
  letter: 13,
  text: 23,
  strokes: [2, 3],
};

/** Under a staff. */
export const SYSTEM_ROW: RowSize = {
  name: 'system',
  axis: 42,
  chip: 30,
  gap: 8,
  narrowest: 22,
  widest: 46,
  margin: 4,
  letter: 11,
  text: 19,
  strokes: [1.5, 2.5],
};

/** Read from a music stand. */
export const STAND_ROW: RowSize = {
  name: 'stand',
  axis: 68,
  chip: 54,
  gap: 9,
  narrowest: 54,
  widest: 124,
  margin: 12,
  letter: 21,
  text: 27,
  strokes: [2, 3.5],
};

/** A note of a row and where it stands, in CSS pixels from the row's left edge. */
export interface PlacedNote {
  /** Unique in the row: the same note of a line may come more than once. */
  readonly key: string;
  readonly note: LineView;
  /** Middle of the chip. */
  readonly x: number;
  /** Width of what belongs to the note alone. */
  readonly room: number;
}

/** Notes at the places of their heads on a staff; each has the room up to the nearer neighbour. */
export function placedAt(notes: readonly { readonly note: LineView; readonly x: number }[]): PlacedNote[] {
  return notes.map(({ note, x }, i) => ({
    key: note.id,
    note,
    x,
    room: Math.min((notes[i + 1]?.x ?? Infinity) - x, x - (notes[i - 1]?.x ?? -Infinity)),
  }));
}

type Placement = Pick<LineView, 'side' | 'missing'>;

function isOnAxis({ side, missing }: Placement): boolean {
  return side === 'level' || missing !== undefined;
}

/** Top of a chip: above the axis, below it, or on it. */
export function chipTop({ axis, chip, gap }: RowSize, note: Placement): number {
  if (isOnAxis(note)) return axis - chip / 2;
  return note.side === 'above' ? axis - gap - chip : axis + gap;
}

/** Top of a line of text across the axis from the chip. @param line 0 beside the axis, 1 beyond it */
export function textTop({ axis, chip, text }: RowSize, note: Placement, line: 0 | 1 = 0): number {
  if (isOnAxis(note)) return axis + chip / 2 + 3 + line * text;
  return note.side === 'above' ? axis + 5 + line * text : axis - 5 - (line + 1) * text;
}
