import { chipShape, type ChipText } from './chip.ts';
import type { Box, Scene, Shape } from './scene.ts';

/** Where a way lies in a drawing, in millimetres. */
export interface Place extends Box {
  /** Technique mark at the corner of its chip, such as ″ or °. */
  readonly mark?: string;
  /** What is drawn for this way alone, under its chip: it is chosen together with it. */
  readonly own?: readonly Shape[];
  /** Box to outline when the way is chosen, where that is more than the chip. */
  readonly whole?: Box;
}

/** A drawing of an instrument without its notes. Lengths in millimetres from the upper left corner. */
export interface Diagram<W> {
  readonly widthMm: number;
  readonly heightMm: number;
  /** Everything that is no way: the body of the instrument, its numbers, names of rows. */
  readonly furniture: readonly Shape[];
  place(way: W): Place;
}

/** The drawing with a chip for every way: the furniture first, then the chips in the order of the ways. */
export function sceneOf<W extends { readonly id: string; readonly words: string }>(
  title: string,
  { widthMm, heightMm, furniture, place }: Diagram<W>,
  ways: readonly W[],
  chip: (way: W) => ChipText,
): Scene {
  const chips = ways.map((way): Shape => {
    const { own = [], whole, ...at } = place(way);
    const drawn = chipShape({ ...chip(way), id: way.id, label: way.words, ...at });
    return { ...drawn, ...(whole ? { box: whole } : {}), shapes: [...own, ...drawn.shapes] };
  });
  return { title, widthMm, heightMm, shapes: [...furniture, ...chips] };
}
