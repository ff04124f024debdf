import type { Diagram, Place } from '../../scene/diagram.ts';
import type { Shape } from '../../scene/scene.ts';
import { disc, label, line, rect } from '../../scene/shapes.ts';
import type { Register, WhistleLayout } from './layout.ts';
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
export function diagram(_: WhistleLayout, ways: readonly WhistleWay[]): Diagram<WhistleWay> {
  const rows: readonly { readonly name: readonly string[]; readonly registers: readonly Register[] }[] = [
    { name: ['upper', 'register', 'faster air'], registers: ['upper', 'high'] },
    { name: ['low', 'register', 'gentle air'], registers: ['low'] },
  ];
  const inRow = rows.map(({ registers }) =>
    ways.filter((way) => registers.includes(way.register)).sort((a, b) => a.pitch - b.pitch),
  );
  const column = SIZE.width / Math.max(...inRow.map((row) => row.length));
  const top = (row: number) => SIZE.margin + row * (BLOCK + SIZE.between);
  const furniture = rows.flatMap(({ name }, row): Shape[] => [
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
  ]);
  return {
    widthMm: SIZE.left + SIZE.width + 2,
    heightMm: top(1) + BLOCK + SIZE.margin,
    furniture,
    place(way) {
      const row = inRow.findIndex((own) => own.includes(way));
      return placeOf(way, SIZE.left + inRow[row]!.indexOf(way) * column, top(row), column);
    },
  };
}

function holeNumbers(top: number): Shape[] {
  return Array.from({ length: 6 }, (_, i) =>
    label(SIZE.left - 2.2, top + SIZE.chip + 2 + (i + 0.5) * SIZE.hole + 1.2, String(i + 1), 3.4, {
      ink: 'soft',
      anchor: 'middle',
    }),
  );
}

/** The chip, and below it the whistle with its holes. */
function placeOf(way: WhistleWay, x: number, y: number, column: number): Place {
  const chip = { x: x + column * 0.05, y, width: column * 0.9, height: SIZE.chip };
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
  return { ...chip, own: [tube, hands, ...holes], whole: { ...chip, height: BLOCK - 1 } };
}

function holeShapes(x: number, y: number, mark: string): Shape[] {
  const r = SIZE.radius;
  const ring = disc(x, y, r, { fill: mark === 'x' ? 'ink' : 'leaf', stroke: 'ink', strokeMm: 0.45 });
  if (mark !== 'h') return [ring];
  return [ring, { kind: 'path', d: `M${x} ${y - r} A${r} ${r} 0 0 0 ${x} ${y + r} Z`, fill: 'ink' }];
}
