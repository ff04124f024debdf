import { range } from '../kernel/options.ts';
import type { Diagram } from '../../scene/diagram.ts';
import type { Shape } from '../../scene/scene.ts';
import { label, line, rect } from '../../scene/shapes.ts';
import { type ChromaticLayout } from './layout.ts';
import { SIZES } from './tables.ts';
import { SLIDE_MARK } from './tab.ts';
import type { ChromaticWay } from './ways.ts';

/** Millimetres; the drawing has one width for every size, so that holes of long instruments are narrower. */
const SIZE = Object.freeze({
  left: 24,
  holesWidth: 216,
  right: 9,
  row: 17,
  chip: 14.8,
  comb: 11,
  plate: 1.6,
  margin: 3,
});

/** Holes from left to right; blown above the comb, drawn below; the notes of the slide on the outer rows, joined to it. */
export function diagram(layout: ChromaticLayout): Diagram<ChromaticWay> {
  const { holes } = SIZES[layout.size];
  const column = SIZE.holesWidth / holes;
  const top = SIZE.margin + 2 * SIZE.row + SIZE.plate;
  const bottom = top + SIZE.comb;
  const heightMm = bottom + SIZE.plate + 2 * SIZE.row + SIZE.margin + 2;
  return {
    widthMm: SIZE.left + SIZE.holesWidth + SIZE.right,
    heightMm,
    furniture: [...body(holes, column, top), ...rowNames(top, bottom)],
    place({ hole, technique, air }) {
      const outer = technique === 'slide' ? 1 : 0;
      const gap = SIZE.row - SIZE.chip;
      const above = top - SIZE.plate - (outer + 1) * SIZE.row;
      const below = bottom + SIZE.plate + outer * SIZE.row + gap;
      return {
        x: SIZE.left + (hole - 1) * column + column * 0.06,
        y: air === 'out' ? above : below,
        width: column * 0.88,
        height: SIZE.chip,
      };
    },
  };
}

function body(holes: number, column: number, top: number): Shape[] {
  const x = SIZE.left - 3;
  const width = SIZE.holesWidth + 6;
  const right = x + width;
  return [
    rect(x, top, width, SIZE.comb, { fill: 'wood', radius: 1 }),
    rect(x, top - SIZE.plate, width, SIZE.plate, { fill: 'brass', radius: 0.5 }),
    rect(x, top + SIZE.comb, width, SIZE.plate, { fill: 'brass', radius: 0.5 }),
    // The slide and its button stick out on the right.
    line(right, top + SIZE.comb / 2, right + 3.4, top + SIZE.comb / 2, 'brass', 2),
    rect(right + 2.6, top + 1.5, 2.4, SIZE.comb - 3, { fill: 'brass', radius: 0.8 }),
    ...range(1, holes).flatMap((hole): Shape[] => {
      const left = SIZE.left + (hole - 1) * column;
      return [
        rect(left + column * 0.12, top + 1.4, column * 0.76, SIZE.comb - 2.8, {
          fill: 'hollow',
          radius: 0.8,
        }),
        label(left + column / 2, top + SIZE.comb / 2 + 2, String(hole), 5.6, {
          ink: 'plate-text',
          anchor: 'middle',
          bold: true,
        }),
      ];
    }),
  ];
}

function rowNames(top: number, bottom: number): Shape[] {
  const at = (row: number) => row * SIZE.row + SIZE.row / 2 + 1.6;
  const above = top - SIZE.plate;
  const below = bottom + SIZE.plate;
  const slide = `slide ${SLIDE_MARK}`;
  return [
    label(1, above - at(0) + 2.4, 'blow ↑', 4.6, { bold: true }),
    label(1, above - at(1) + 2.4, slide, 4.2, { ink: 'soft' }),
    label(1, below + at(0), 'draw ↓', 4.6, { bold: true }),
    label(1, below + at(1), slide, 4.2, { ink: 'soft' }),
  ];
}
