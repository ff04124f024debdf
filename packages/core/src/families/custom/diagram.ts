import type { Diagram } from '../../scene/diagram.ts';
import { label, rect } from '../../scene/shapes.ts';
import { SURFACE, type CustomLayout, type NamedSpot } from './layout.ts';
import type { CustomWay } from './ways.ts';

/** Share of a spot's width that its name takes, left of the chip. */
const NAME_SHARE = 0.28;
/** Millimetres of type for names of one letter, of two; of more it is smaller. */
const NAME_SIZES: readonly number[] = Object.freeze([3.6, 2.9]);
/** Spots are drawn larger than they are at least, as far as their neighbours leave room, by this at most. */
const MOST_ROOM = 2.6;
/** A drawing is never smaller than this, in millimetres, or a few spots would fill a screen. */
const LEAST = Object.freeze({ width: 130, height: 46 });
const EDGE = 4;
/** How much of the room between neighbours is used. */
const CLOSE = 0.93;

/** The pitches as their owner put them to each other, each with its name beside it; empty surface is left away. */
export function diagram(layout: CustomLayout, ways: readonly CustomWay[]): Diagram<CustomWay> {
  const room = roomOf(layout.spots);
  const spot = { width: SURFACE.spotWidth * room, height: SURFACE.spotHeight * room };
  const [left, right] = endsOf(layout.spots.map(({ x }) => x));
  const [top, bottom] = endsOf(layout.spots.map(({ y }) => y));
  const widthMm = Math.max(LEAST.width, right - left + spot.width + 2 * EDGE);
  const heightMm = Math.max(LEAST.height, bottom - top + spot.height + 2 * EDGE);
  const cornerOf = ({ x, y }: CustomWay) => ({
    x: x - (left + right) / 2 + (widthMm - spot.width) / 2,
    y: y - (top + bottom) / 2 + (heightMm - spot.height) / 2,
  });
  return {
    widthMm,
    heightMm,
    furniture: [
      rect(0.6, 0.6, widthMm - 1.2, heightMm - 1.2, {
        fill: 'leaf',
        stroke: 'rule',
        strokeMm: 0.7,
        radius: 5,
      }),
      ...ways.map((way) => {
        const { x, y } = cornerOf(way);
        const size = (NAME_SIZES[way.name.length - 1] ?? 2.4) * room;
        return label(x + (NAME_SHARE - 0.04) * spot.width, y + spot.height / 2 + size / 3, way.name, size, {
          anchor: 'end',
          bold: true,
        });
      }),
    ],
    place(way) {
      const { x, y } = cornerOf(way);
      return {
        x: x + NAME_SHARE * spot.width,
        y: y + 0.02 * spot.height,
        width: (0.98 - NAME_SHARE) * spot.width,
        height: 0.96 * spot.height,
      };
    },
  };
}

/** How many times their size spots can be drawn before the nearest two meet. */
function roomOf(spots: readonly NamedSpot[]): number {
  let room = MOST_ROOM;
  for (const [i, a] of spots.entries()) {
    for (const b of spots.slice(0, i)) {
      const apart = Math.max(
        Math.abs(a.x - b.x) / SURFACE.spotWidth,
        Math.abs(a.y - b.y) / SURFACE.spotHeight,
      );
      room = Math.min(room, Math.max(1, CLOSE * apart));
    }
  }
  return room;
}

function endsOf(values: readonly number[]): readonly [number, number] {
  return [Math.min(...values), Math.max(...values)];
}
