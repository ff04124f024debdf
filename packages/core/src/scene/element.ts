import type { Ink, Paint, PathShape, RectShape, TextShape } from './scene.ts';

/** An SVG element of a shape: attributes as scripts name them, `strokeWidth` for `stroke-width`. */
export interface SvgElement {
  readonly tag: 'rect' | 'path' | 'text';
  readonly attributes: Readonly<Record<string, string | number>>;
  /** What is written in it. */
  readonly text?: string;
}

/** The SVG element of a shape, the same in a file and on a screen. @param colour what an ink is painted with */
export function elementOf(
  shape: RectShape | PathShape | TextShape,
  colour: (ink: Ink) => string,
): SvgElement {
  switch (shape.kind) {
    case 'rect': {
      const { x, y, width, height, radius = 0 } = shape;
      const box = { x: fine(x), y: fine(y), width: fine(width), height: fine(height), rx: fine(radius) };
      return { tag: 'rect', attributes: { ...box, ...painted(shape, colour) } };
    }
    case 'path':
      return { tag: 'path', attributes: { d: shape.d, ...painted(shape, colour) } };
    case 'text': {
      const { x, y, text, sizeMm, ink, anchor = 'start', bold = false } = shape;
      const attributes = {
        x: fine(x),
        y: fine(y),
        fontSize: fine(sizeMm),
        textAnchor: anchor,
        fill: colour(ink),
        ...(bold ? { fontWeight: 700 } : {}),
      };
      return { tag: 'text', attributes, text };
    }
  }
}

function painted({ fill, stroke, strokeMm = 0.4, dashed = false }: Paint, colour: (ink: Ink) => string) {
  const filled = fill === undefined ? 'none' : fill === 'hatch' ? 'url(#hatch)' : colour(fill);
  return {
    fill: filled,
    ...(stroke ? { stroke: colour(stroke), strokeWidth: fine(strokeMm) } : {}),
    ...(dashed ? { strokeDasharray: '1.4 1' } : {}),
  };
}

/** Hundredths of a millimetre are enough for any paper. */
export function fine(mm: number): number {
  return Math.round(mm * 100) / 100;
}
