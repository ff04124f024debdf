import { chipShape, type ChipText } from '../../scene/chip.ts';
import type { Scene } from '../../scene/scene.ts';
import { label, rect } from '../../scene/shapes.ts';
import { describe, SURFACE, type CustomLayout } from './layout.ts';
import type { CustomWay } from './ways.ts';

const HALF = Object.freeze({ width: SURFACE.spotWidth / 2, height: SURFACE.spotHeight / 2 });
const CHIP_WIDTH = 10.6;

/** The pitches where their owner put them, each with its name beside it. */
export function scene(
  layout: CustomLayout,
  ways: readonly CustomWay[],
  chip: (way: CustomWay) => ChipText,
): Scene {
  const edge = { x: SURFACE.margin + HALF.width, y: SURFACE.margin + HALF.height };
  const widthMm = SURFACE.width + 2 * edge.x;
  const heightMm = SURFACE.height + 2 * edge.y;
  return {
    title: describe(layout),
    widthMm,
    heightMm,
    shapes: [
      rect(0.6, 0.6, widthMm - 1.2, heightMm - 1.2, {
        fill: 'leaf',
        stroke: 'rule',
        strokeMm: 0.7,
        radius: 5,
      }),
      ...ways.map((way) => {
        const left = edge.x + way.x - HALF.width;
        return label(left + 3.4, edge.y + way.y + 1.3, way.name, way.name.length > 2 ? 2.6 : 3.8, {
          anchor: 'end',
          bold: true,
        });
      }),
      ...ways.map((way) =>
        chipShape({
          ...chip(way),
          id: way.id,
          label: way.words,
          x: edge.x + way.x - HALF.width + SURFACE.spotWidth - CHIP_WIDTH - 0.4,
          y: edge.y + way.y - HALF.height + 0.2,
          width: CHIP_WIDTH,
          height: SURFACE.spotHeight - 0.4,
        }),
      ),
    ],
  };
}
