import { fine as n } from './element.ts';
import type { Ink, Paint, PathShape, RectShape, TextShape } from './scene.ts';

/** Short ways to write shapes; all lengths in millimetres. */

export function rect(
  x: number,
  y: number,
  width: number,
  height: number,
  paint: Paint & { readonly radius?: number },
): RectShape {
  return { kind: 'rect', x, y, width, height, ...paint };
}

export function line(
  x1: number,
  y1: number,
  x2: number,
  y2: number,
  stroke: Ink,
  strokeMm: number,
): PathShape {
  return { kind: 'path', d: `M${n(x1)} ${n(y1)} L${n(x2)} ${n(y2)}`, stroke, strokeMm };
}

export function disc(cx: number, cy: number, r: number, paint: Paint): PathShape {
  return {
    kind: 'path',
    d: `M${n(cx - r)} ${n(cy)} a${n(r)} ${n(r)} 0 1 0 ${n(2 * r)} 0 a${n(r)} ${n(r)} 0 1 0 ${n(-2 * r)} 0 Z`,
    ...paint,
  };
}

export function label(
  x: number,
  y: number,
  text: string,
  sizeMm: number,
  more: Partial<Pick<TextShape, 'ink' | 'anchor' | 'bold'>> = {},
): TextShape {
  return { kind: 'text', x, y, text, sizeMm, ink: 'ink', ...more };
}
