import { chipShape, type ChipText } from '../../scene/chip.ts';
import type { Scene, Shape } from '../../scene/scene.ts';
import { label, rect } from '../../scene/shapes.ts';
import { HAND_WORDS, HANDS, type Hand } from '../kernel/buttons.ts';
import { describe, type EnglishLayout } from './layout.ts';
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
export function scene(
  layout: EnglishLayout,
  ways: readonly EnglishWay[],
  chip: (way: EnglishWay) => ChipText,
): Scene {
  const rows = Math.max(...ways.map((way) => way.row));
  const height = SIZE.head + rows * SIZE.row + 6;
  const order: readonly Hand[] = layout.seen === 'player' ? HANDS : [...HANDS].reverse();
  const left = (hand: Hand) => SIZE.margin + order.indexOf(hand) * (SIZE.hand + SIZE.between);
  const columnX = (hand: Hand, column: Column) => {
    const thumbOnRight = order.indexOf(hand) === 0;
    const place = thumbOnRight ? COLUMNS.length - column : column - 1;
    return left(hand) + 5 + place * SIZE.column;
  };
  const rowY = (row: number) => SIZE.margin + SIZE.head + (rows - row) * SIZE.row;
  const ends = HANDS.flatMap((hand): Shape[] => [
    rect(left(hand), SIZE.margin, SIZE.hand, height, {
      fill: 'leaf',
      stroke: 'rule',
      strokeMm: 0.7,
      radius: 9,
    }),
    label(left(hand) + SIZE.hand / 2, SIZE.margin + 5.6, `${HAND_WORDS[hand]} hand`, 4.6, {
      anchor: 'middle',
      bold: true,
    }),
    ...COLUMNS.map((column) =>
      label(columnX(hand, column) + SIZE.chipWidth / 2, SIZE.margin + 11.4, String(column), 4, {
        ink: 'soft',
        anchor: 'middle',
      }),
    ),
  ]);
  const middle = SIZE.margin + SIZE.hand + SIZE.between / 2;
  const thumbs = [
    label(middle, SIZE.margin + height / 2 - 2, 'thumbs', 3.8, { ink: 'soft', anchor: 'middle' }),
    label(middle, SIZE.margin + height / 2 + 3.4, 'here', 3.8, { ink: 'soft', anchor: 'middle' }),
  ];
  const chips = ways.map((way) =>
    chipShape({
      ...chip(way),
      id: way.id,
      label: way.words,
      x: columnX(way.hand, way.column),
      y: rowY(way.row),
      width: SIZE.chipWidth,
      height: SIZE.chip,
    }),
  );
  return {
    title: describe(layout),
    widthMm: 2 * SIZE.margin + 2 * SIZE.hand + SIZE.between,
    heightMm: height + 2 * SIZE.margin,
    shapes: [...ends, ...thumbs, ...chips],
  };
}
