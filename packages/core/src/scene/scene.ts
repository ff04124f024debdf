/** Inks a scene is drawn with; the renderer gives each a colour for paper, stage or print. */
export const INKS = Object.freeze([
  'ink',
  'soft',
  'paper',
  'leaf',
  'rule',
  'brass',
  'wood',
  'hollow',
  'plate-text',
  'home',
  'chord',
  'colour',
] as const);
export type Ink = (typeof INKS)[number];

/** How a shape is painted. Lengths in millimetres of the scene. */
export interface Paint {
  readonly fill?: Ink | 'hatch';
  readonly stroke?: Ink;
  readonly strokeMm?: number;
  readonly dashed?: boolean;
}

/** A rectangle in millimetres. */
export interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

export interface RectShape extends Paint, Box {
  readonly kind: 'rect';
  /** Corner radius. */
  readonly radius?: number;
}

export interface PathShape extends Paint {
  readonly kind: 'path';
  /** SVG path data in scene millimetres. */
  readonly d: string;
}

export interface TextShape {
  readonly kind: 'text';
  readonly x: number;
  /** Baseline. */
  readonly y: number;
  readonly text: string;
  readonly sizeMm: number;
  readonly ink: Ink;
  readonly anchor?: 'start' | 'middle' | 'end';
  readonly bold?: boolean;
}

/** Shapes that belong together; with an id they stand for one way and can be chosen. */
export interface GroupShape {
  readonly kind: 'group';
  readonly id?: string;
  /** Said by a screen reader. */
  readonly label?: string;
  /** Box to outline when chosen. */
  readonly box?: Box;
  readonly shapes: readonly Shape[];
}

export type Shape = RectShape | PathShape | TextShape | GroupShape;

/** A drawing without a screen: millimetres from the upper left corner, stable ids, no colours of its own. */
export interface Scene {
  readonly title: string;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly shapes: readonly Shape[];
}

/** Ids of all choosable groups in drawing order. */
export function sceneIds(shapes: readonly Shape[]): string[] {
  return shapes.flatMap((s) => (s.kind === 'group' ? [...(s.id ? [s.id] : []), ...sceneIds(s.shapes)] : []));
}
