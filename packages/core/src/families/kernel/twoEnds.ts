import type { Shape } from '../../scene/scene.ts';
import { label, rect } from '../../scene/shapes.ts';
import { HAND_WORDS, HANDS, type Hand } from './buttons.ts';

/** Measures of a concertina's two ends beside each other, in millimetres. */
interface EndSizes {
  /** Left edge of the first end. */
  readonly left: number;
  readonly top: number;
  readonly hand: number;
  readonly between: number;
  readonly height: number;
  readonly radius: number;
  readonly name: { readonly y: number; readonly sizeMm: number };
}

/** The two ends unfolded: the left hand on the left as the player sees them, on the right for one opposite. */
export function twoEnds(seen: 'player' | 'opposite', size: EndSizes) {
  const order: readonly Hand[] = seen === 'player' ? HANDS : [...HANDS].reverse();
  const isFirst = (hand: Hand) => order[0] === hand;
  const leftOf = (hand: Hand) => size.left + (isFirst(hand) ? 0 : size.hand + size.between);
  const shapes = HANDS.flatMap((hand): Shape[] => [
    rect(leftOf(hand), size.top, size.hand, size.height, {
      fill: 'leaf',
      stroke: 'rule',
      strokeMm: 0.7,
      radius: size.radius,
    }),
    label(
      leftOf(hand) + size.hand / 2,
      size.top + size.name.y,
      `${HAND_WORDS[hand]} hand`,
      size.name.sizeMm,
      {
        anchor: 'middle',
        bold: true,
      },
    ),
  ]);
  return { isFirst, leftOf, shapes };
}
