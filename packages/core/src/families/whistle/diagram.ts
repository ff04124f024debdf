import { chipShape, type ChipText } from '../../scene/chip.ts';
import type { Scene, Shape } from '../../scene/scene.ts';
import { disc, label, line, rect } from '../../scene/shapes.ts';
import { describe, type Register, type WhistleLayout } from './layout.ts';
import type { WhistleWay } from './ways.ts';

/** Millimetres. */
const SIZE = Object.freeze({
  left: 25,
  width: 222,
  chip: 10.4,
  hole: 5,
  radius: 1.95,
  tube: 5.6,
  between: 5,
  margin: 2,
});
const BLOCK = SIZE.chip + 2 + 6 * SIZE.hole + 1;

/** A whistle per note, standing, mouth end up, in order of pitch; the upper register above the low one. */
export function scene(
  layout: WhistleLayout,
  ways: readonly WhistleWay[],
  chip: (way: WhistleWay) => ChipText,
): Scene {
  const rows: readonly { readonly name: readonly string[]; readonly registers: readonly Register[] }[] = [
    { name: ['upper', 'register', 'faster air'], registers: ['upper', 'high'] },
    { name: ['low', 'register', 'gentle air'], registers: ['low'] },
  ];
  const inRow = rows.map(({ registers }) =>
    ways.filter((way) => registers.includes(way.register)).sort((a, b) => a.pitch - b.pitch),
  );
  const column = SIZE.width / Math.max(...inRow.map((row) => row.length));
  const top = (row: number) => SIZE.margin + row * (BLOCK + SIZE.between);
  const shapes = rows.flatMap(({ name }, row): Shape[] => [
    ...name.map((text, i) =>
      label(
        1,
        top(row) + SIZE.chip + 8 + i * 5,
        text,
        i < 2 ? 4.4 : 3.7,
        i < 2 ? { bold: true } : { ink: 'soft' },
      ),
    ),
    ...holeNumbers(top(row)),
    ...inRow[row]!.map((way, i) => columnOf(way, chip(way), SIZE.left + i * column, top(row), column)),
  ]);
  return {
    title: describe(layout),
    widthMm: SIZE.left + SIZE.width + 2,
    heightMm: top(1) + BLOCK + SIZE.margin,
    shapes,
  };
}

function holeNumbers(top: number): Shape[] {
  return Array.from({ length: 6 }, (_, i) =>
    label(SIZE.left - 2.2, top + SIZE.chip + 2 + (i + 0.5) * SIZE.hole + 1.2, String(i + 1), 3.2, {
      ink: 'soft',
      anchor: 'middle',
    }),
  );
}

function columnOf(way: WhistleWay, text: ChipText, x: number, y: number, column: number) {
  const width = column * 0.9;
  const chip = chipShape({
    ...text,
    id: way.id,
    label: way.words,
    x: x + column * 0.05,
    y,
    width,
    height: SIZE.chip,
  });
  const middle = x + column / 2;
  const top = y + SIZE.chip + 2;
  const tube = rect(middle - SIZE.tube / 2, top, SIZE.tube, 6 * SIZE.hole, {
    fill: 'leaf',
    stroke: 'rule',
    strokeMm: 0.5,
    radius: 2.6,
  });
  const holes = [...way.fingering.pattern].flatMap((mark, i) =>
    holeShapes(middle, top + (i + 0.5) * SIZE.hole, mark),
  );
  const hands = line(middle - 2, top + 3 * SIZE.hole, middle + 2, top + 3 * SIZE.hole, 'rule', 0.4);
  const box = { x: x + column * 0.05, y, width, height: BLOCK - 1 };
  return { ...chip, box, shapes: [tube, hands, ...holes, ...chip.shapes] };
}

function holeShapes(x: number, y: number, mark: string): Shape[] {
  const r = SIZE.radius;
  const ring = disc(x, y, r, { fill: mark === 'x' ? 'ink' : 'leaf', stroke: 'ink', strokeMm: 0.45 });
  if (mark !== 'h') return [ring];
  return [ring, { kind: 'path', d: `M${x} ${y - r} A${r} ${r} 0 0 0 ${x} ${y + r} Z`, fill: 'ink' }];
}
