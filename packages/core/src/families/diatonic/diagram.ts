import type { Diagram } from '../../scene/diagram.ts';
import type { PathShape, Shape } from '../../scene/scene.ts';
import { HOLES, reedPitch, type DiatonicLayout, type Plate } from './layout.ts';
import { bendMark } from './tab.ts';
import { marks, type DiatonicWay } from './ways.ts';

/** Measures in millimetres. */
const SIZE = Object.freeze({
  left: 21,
  right: 3,
  column: 20.6,
  reedWidth: 2,
  chipX: 3.2,
  chipWidth: 14,
  chipHeight: 9.4,
  row: 11.2,
  comb: 12,
  plate: 1.6,
  margin: 2,
  /** Length of the reed at the instrument's root. */
  longestReed: 21,
});

type Side = 'above' | 'below';

/** How far a way's chip lies from the comb: 0 the plain note, then bends by depth, an over-note next to the plain one. */
function rowOf(way: DiatonicWay): number {
  return way.depth > 0 ? way.depth : way.technique === 'plain' ? 0 : 1;
}

/**
 * The harmonica as its player holds it: holes from left to right, out above the comb, in below it. A reed's length is
 * true to its pitch (length goes with the inverse square root of frequency); bends are steps off the reed that bends.
 */
export function diagram(layout: DiatonicLayout, ways: readonly DiatonicWay[]): Diagram<DiatonicWay> {
  const rows = (side: Side) => 1 + Math.max(...ways.filter((w) => sideOf(w) === side).map(rowOf));
  const top = SIZE.margin + rows('above') * SIZE.row;
  const bottom = top + SIZE.comb;
  const heightMm = bottom + SIZE.plate + rows('below') * SIZE.row + SIZE.margin + 0.6;
  const edge: Record<Side, number> = { above: top - SIZE.plate, below: bottom + SIZE.plate };
  const chipY = (way: DiatonicWay) => {
    const distance = SIZE.row * rowOf(way) + (SIZE.row - SIZE.chipHeight);
    return sideOf(way) === 'above' ? edge.above - distance - SIZE.chipHeight : edge.below + distance;
  };
  const reeds = ways.filter((w) => w.technique === 'plain').map((w) => reedShape(layout, w, edge[sideOf(w)]));
  const steps = ways
    .filter((w) => w.technique !== 'plain')
    .map((w) => stepShape(w, edge[sideOf(w)], chipY(w)));
  return {
    widthMm: SIZE.left + SIZE.column * HOLES + SIZE.right,
    heightMm,
    furniture: [...reeds, ...dipShapes(layout, edge), ...steps, ...combShapes(top), ...keyToMarks(heightMm)],
    place: (way) => ({
      x: columnX(way.hole) + SIZE.chipX,
      y: chipY(way),
      width: SIZE.chipWidth,
      height: SIZE.chipHeight,
      ...(way.depth > 0 ? { mark: bendMark(way.depth) } : way.technique === 'plain' ? {} : { mark: '°' }),
    }),
  };
}

function sideOf(way: DiatonicWay): Side {
  return way.air === 'out' ? 'above' : 'below';
}

function columnX(hole: number): number {
  return SIZE.left + (hole - 1) * SIZE.column;
}

function reedLength(layout: DiatonicLayout, plate: Plate, hole: number): number {
  return SIZE.longestReed * 2 ** (-(reedPitch(layout, plate, hole) - layout.root) / 24);
}

function reedShape(layout: DiatonicLayout, way: DiatonicWay, edge: number): Shape {
  const height = reedLength(layout, way.air === 'out' ? 'blow' : 'draw', way.hole);
  const y = sideOf(way) === 'above' ? edge - height : edge;
  return { kind: 'rect', x: columnX(way.hole), y, width: SIZE.reedWidth, height, fill: 'brass' };
}

/** A line from the comb along the reed to the chip's middle, and a step to the chip; dashed for an over-note. */
function stepShape(way: DiatonicWay, edge: number, chipY: number): PathShape {
  const x = columnX(way.hole) + SIZE.reedWidth / 2;
  const y = chipY + SIZE.chipHeight / 2;
  const d = `M${x} ${edge} V${y} H${columnX(way.hole) + SIZE.chipX}`;
  return { kind: 'path', d, stroke: 'brass', strokeMm: 0.7, dashed: way.depth === 0 };
}

/** A small wave beside the tip of a reed that only dips. */
function dipShapes(layout: DiatonicLayout, edge: Record<Side, number>): Shape[] {
  return marks(layout).map((mark) => {
    const hole = Number(mark.id.slice('dip-'.length));
    const plate: Plate = reedPitch(layout, 'draw', hole) > reedPitch(layout, 'blow', hole) ? 'draw' : 'blow';
    const side: Side = plate === 'draw' ? 'below' : 'above';
    const direction = side === 'below' ? 1 : -1;
    const x = columnX(hole);
    const y = edge[side] + direction * (SIZE.row + 3);
    const wave: Shape = {
      kind: 'path',
      d: `M${x + 3.6} ${y} q1.2 -1.6 2.4 0 t2.4 0 t2.4 0`,
      stroke: 'soft',
      strokeMm: 0.5,
    };
    const text: Shape = { kind: 'text', x: x + 11.6, y: y + 1.1, text: 'dips', sizeMm: 4.3, ink: 'soft' };
    return { kind: 'group', label: mark.words, shapes: [wave, text] };
  });
}

function combShapes(top: number): Shape[] {
  const x = SIZE.left - 4;
  const width = SIZE.column * HOLES + 5;
  const plate = (y: number): Shape => ({
    kind: 'rect',
    x,
    y,
    width,
    height: SIZE.plate,
    fill: 'brass',
    radius: 0.5,
  });
  const numbers = Array.from({ length: HOLES }, (_, i): Shape[] => [
    {
      kind: 'rect',
      x: columnX(i + 1) + 3.2,
      y: top + 1.6,
      width: 14,
      height: SIZE.comb - 3.2,
      radius: 0.8,
      fill: 'hollow',
    },
    {
      kind: 'text',
      x: columnX(i + 1) + 10.2,
      y: top + SIZE.comb / 2 + 2.3,
      text: String(i + 1),
      sizeMm: 6.6,
      ink: 'plate-text',
      anchor: 'middle',
      bold: true,
    },
  ]).flat();
  const side = (text: string, y: number): Shape => ({
    kind: 'text',
    x: 1,
    y,
    text,
    sizeMm: 4.4,
    ink: 'ink',
    bold: true,
  });
  return [
    { kind: 'rect', x, y: top, width, height: SIZE.comb, fill: 'wood', radius: 1 },
    plate(top - SIZE.plate),
    plate(top + SIZE.comb),
    ...numbers,
    side('blow ↑', top - 5.2),
    side('draw ↓', top + SIZE.comb + 8.6),
  ];
}

/** What the marks mean, in the corner that bends leave free. */
function keyToMarks(heightMm: number): Shape[] {
  const right = SIZE.left + SIZE.column * HOLES;
  const line = (text: string, y: number): Shape => ({
    kind: 'text',
    x: right,
    y,
    text,
    sizeMm: 4.3,
    ink: 'soft',
    anchor: 'end',
  });
  return [
    line('′ ″ ‴  bent by one, two, three semitones', heightMm - 8),
    line('°  over-note', heightMm - 2.6),
  ];
}
