import type { Diagram } from '../../scene/diagram.ts';
import type { Shape } from '../../scene/scene.ts';
import { label, line, rect } from '../../scene/shapes.ts';
import { twoEnds } from '../kernel/twoEnds.ts';
import { buttonNumber, IN_ROW, places, type AngloLayout, type Place } from './layout.ts';
import { ROWS } from './tables.ts';
import type { AngloWay } from './ways.ts';

/** Millimetres. Each button is a cell with its push above its pull, as out lies above in in every drawing here. */
const SIZE = Object.freeze({
  left: 16,
  hand: 115,
  between: 8,
  column: 21.6,
  cellWidth: 19.4,
  chip: 9.3,
  gap: 0.8,
  row: 25,
  head: 10,
  margin: 3,
});

/** Both ends side by side, rows from outside (above) to inside, as the player sees them; mirrored for one opposite. */
export function diagram(layout: AngloLayout, ways: readonly AngloWay[]): Diagram<AngloWay> {
  const rows = ROWS.filter((row) => ways.some((way) => way.row === row));
  const mirrored = layout.seen === 'opposite';
  const height = SIZE.head + rows.length * SIZE.row;
  const { leftOf, shapes } = twoEnds(layout.seen, {
    left: SIZE.left,
    top: SIZE.margin,
    hand: SIZE.hand,
    between: SIZE.between,
    height,
    radius: 7,
    name: { y: 6.4, sizeMm: 4.4 },
  });
  const cellX = ({ hand, column }: Pick<Place, 'hand' | 'column'>) =>
    leftOf(hand) + 4.4 + (mirrored ? IN_ROW - column : column - 1) * SIZE.column;
  const rowY = (row: Place['row']) => SIZE.margin + SIZE.head + rows.indexOf(row) * SIZE.row;
  const names = rows.flatMap((row): Shape[] => [label(1, rowY(row) + 11.6, row, 3.9, { bold: true })]);
  const cells = places(layout.plan).flatMap((place): Shape[] => {
    const x = cellX(place);
    const y = rowY(place.row);
    const middle = y + 0.9 + SIZE.chip + SIZE.gap / 2;
    return [
      rect(x - 0.8, y, SIZE.cellWidth + 1.6, 2 * SIZE.chip + SIZE.gap + 1.8, {
        stroke: 'rule',
        strokeMm: 0.4,
        fill: 'paper',
        radius: 2.4,
      }),
      line(x, middle, x + SIZE.cellWidth, middle, 'rule', 0.3),
      label(
        x + SIZE.cellWidth / 2,
        y + 2 * SIZE.chip + SIZE.gap + 5.1,
        String(buttonNumber(layout, place)),
        3.5,
        {
          ink: 'soft',
          anchor: 'middle',
        },
      ),
    ];
  });
  const wayY = (way: AngloWay) => rowY(way.row) + (way.air === 'out' ? 0 : SIZE.chip + SIZE.gap);
  const arrows = ways.map((way) =>
    label(cellX(way) - 0.2, wayY(way) + 6.6, way.air === 'out' ? '↑' : '↓', 3.6, { ink: 'soft' }),
  );
  const heightMm = height + 2 * SIZE.margin + 5;
  return {
    widthMm: SIZE.left + 2 * SIZE.hand + SIZE.between + SIZE.margin,
    heightMm,
    furniture: [
      ...shapes,
      ...names,
      ...cells,
      ...arrows,
      label(SIZE.left, heightMm - 1.4, '↑ push above, ↓ pull below, in every button', 3.6, { ink: 'soft' }),
    ],
    place: (way) => ({
      x: cellX(way) + 2.6,
      y: wayY(way) + 0.9,
      width: SIZE.cellWidth - 5.2,
      height: SIZE.chip,
    }),
  };
}
