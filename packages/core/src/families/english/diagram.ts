import type { Diagram } from '../../scene/diagram.ts';
import { label } from '../../scene/shapes.ts';
import { HANDS, type Hand } from '../kernel/buttons.ts';
import { twoEnds } from '../kernel/twoEnds.ts';
import { type EnglishLayout } from './layout.ts';
import { COLUMNS, type Column } from './tables.ts';
import type { EnglishWay } from './ways.ts';

/** Millimetres. */
const SIZE = Object.freeze({
  margin: 3,
  hand: 114,
  between: 14,
  column: 26.5,
  row: 12.2,
  chipWidth: 20.5,
  chip: 10,
  head: 13,
});

/**
 * Both ends unfolded, as two hands lie on a table with the thumbs towards the middle: column 1 beside the thumb, low
 * notes below. Seen from opposite the hands change sides.
 */
export function diagram(layout: EnglishLayout, ways: readonly EnglishWay[]): Diagram<EnglishWay> {
  const rows = Math.max(...ways.map((way) => way.row));
  const height = SIZE.head + rows * SIZE.row + 6;
  const { isFirst, leftOf, shapes } = twoEnds(layout.seen, {
    left: SIZE.margin,
    top: SIZE.margin,
    hand: SIZE.hand,
    between: SIZE.between,
    height,
    radius: 9,
    name: { y: 5.6, sizeMm: 4.6 },
  });
  const columnX = (hand: Hand, column: Column) => {
    const thumbOnRight = isFirst(hand);
    const place = thumbOnRight ? COLUMNS.length - column : column - 1;
    return leftOf(hand) + 5 + place * SIZE.column;
  };
  const rowY = (row: number) => SIZE.margin + SIZE.head + (rows - row) * SIZE.row;
  const columns = HANDS.flatMap((hand) =>
    COLUMNS.map((column) =>
      label(columnX(hand, column) + SIZE.chipWidth / 2, SIZE.margin + 11.4, String(column), 4, {
        ink: 'soft',
        anchor: 'middle',
      }),
    ),
  );
  const middle = SIZE.margin + SIZE.hand + SIZE.between / 2;
  const thumbs = [
    label(middle, SIZE.margin + height / 2 - 2, 'thumbs', 3.8, { ink: 'soft', anchor: 'middle' }),
    label(middle, SIZE.margin + height / 2 + 3.4, 'here', 3.8, { ink: 'soft', anchor: 'middle' }),
  ];
  return {
    widthMm: 2 * SIZE.margin + 2 * SIZE.hand + SIZE.between,
    heightMm: height + 2 * SIZE.margin,
    furniture: [...shapes, ...columns, ...thumbs],
    place: ({ hand, column, row }) => ({
      x: columnX(hand, column),
      y: rowY(row),
      width: SIZE.chipWidth,
      height: SIZE.chip,
    }),
  };
}
