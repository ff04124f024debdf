import { chipShape, type ChipText } from '../../scene/chip.ts';
import type { Scene, Shape } from '../../scene/scene.ts';
import { label, line, rect } from '../../scene/shapes.ts';
import { HAND_WORDS, HANDS, type Hand } from '../kernel/buttons.ts';
import { buttonNumber, describe, IN_ROW, places, type AngloLayout, type Place } from './layout.ts';
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
export function scene(
  layout: AngloLayout,
  ways: readonly AngloWay[],
  chip: (way: AngloWay) => ChipText,
): Scene {
  const rows = ROWS.filter((row) => ways.some((way) => way.row === row));
  const mirrored = layout.seen === 'opposite';
  const order: readonly Hand[] = mirrored ? [...HANDS].reverse() : HANDS;
  const end = (hand: Hand) => SIZE.left + order.indexOf(hand) * (SIZE.hand + SIZE.between);
  const cellX = ({ hand, column }: Pick<Place, 'hand' | 'column'>) =>
    end(hand) + 4.4 + (mirrored ? IN_ROW - column : column - 1) * SIZE.column;
  const rowY = (row: Place['row']) => SIZE.margin + SIZE.head + rows.indexOf(row) * SIZE.row;
  const height = SIZE.head + rows.length * SIZE.row;
  const ends = HANDS.flatMap((hand): Shape[] => [
    rect(end(hand), SIZE.margin, SIZE.hand, height, {
      fill: 'leaf',
      stroke: 'rule',
      strokeMm: 0.7,
      radius: 7,
    }),
    label(end(hand) + SIZE.hand / 2, SIZE.margin + 6.4, `${HAND_WORDS[hand]} hand`, 4.4, {
      anchor: 'middle',
      bold: true,
    }),
  ]);
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
        y + 2 * SIZE.chip + SIZE.gap + 5,
        String(buttonNumber(layout, place)),
        3,
        {
          ink: 'soft',
          anchor: 'middle',
        },
      ),
    ];
  });
  const chips = ways.map((way) =>
    chipShape({
      ...chip(way),
      id: way.id,
      label: way.words,
      x: cellX(way) + 2.6,
      y: rowY(way.row) + 0.9 + (way.air === 'out' ? 0 : SIZE.chip + SIZE.gap),
      width: SIZE.cellWidth - 5.2,
      height: SIZE.chip,
    }),
  );
  const arrows = ways.map((way) =>
    label(
      cellX(way) - 0.2,
      rowY(way.row) + 6.6 + (way.air === 'out' ? 0 : SIZE.chip + SIZE.gap),
      way.air === 'out' ? '↑' : '↓',
      3.6,
      { ink: 'soft' },
    ),
  );
  const heightMm = height + 2 * SIZE.margin + 5;
  return {
    title: describe(layout),
    widthMm: SIZE.left + 2 * SIZE.hand + SIZE.between + SIZE.margin,
    heightMm,
    shapes: [
      ...ends,
      ...names,
      ...cells,
      ...arrows,
      ...chips,
      label(SIZE.left, heightMm - 1.4, '↑ push above, ↓ pull below, in every button', 3.6, { ink: 'soft' }),
    ],
  };
}
