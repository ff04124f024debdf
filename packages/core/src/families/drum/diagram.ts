import type { Diagram } from '../../scene/diagram.ts';
import type { Shape } from '../../scene/scene.ts';
import { label } from '../../scene/shapes.ts';
import type { SpotWay } from '../kernel/fixedPitches.ts';
import { DRUM, type DrumLayout } from './layout.ts';

/** Millimetres of a chip by the number of tongues: the ring must have room for all. */
const CHIPS = Object.freeze([
  { upTo: 10, width: 26, height: 16.5 },
  { upTo: 16, width: 20, height: 13 },
  { upTo: Infinity, width: 12.2, height: 9 },
]);

/** The drum from above, its player at the lower edge; each tongue a slot towards the middle with its number. */
export function diagram(_: DrumLayout, ways: readonly SpotWay[]): Diagram<SpotWay> {
  const { width, height } = CHIPS.find(({ upTo }) => ways.length <= upTo)!;
  const cx = DRUM.width / 2;
  const cy = DRUM.height / 2;
  const rx = cx - 2;
  const ry = cy - 1.5;
  const rim: Shape = {
    kind: 'path',
    d: `M${cx - rx} ${cy} a${rx} ${ry} 0 1 0 ${2 * rx} 0 a${rx} ${ry} 0 1 0 ${-2 * rx} 0 Z`,
    fill: 'leaf',
    stroke: 'brass',
    strokeMm: 1.6,
  };
  const tongues = ways.map((way): Shape => {
    const toMiddle = Math.hypot(cx - way.x, cy - way.y) || 1;
    const reach = way.x === cx && way.y === cy ? 0 : Math.min(16, toMiddle * 0.3);
    const dx = ((cx - way.x) / toMiddle) * reach;
    const dy = ((cy - way.y) / toMiddle) * reach;
    return {
      kind: 'path',
      d: `M${way.x} ${way.y} L${way.x + dx} ${way.y + dy}`,
      stroke: 'rule',
      strokeMm: width * 0.62,
    };
  });
  const numbers = ways.map((way) =>
    label(way.x - width / 2 - 1, way.y + 1.4, String(way.number), height * 0.36, {
      anchor: 'end',
      ink: 'ink',
      bold: true,
    }),
  );
  return {
    widthMm: DRUM.width,
    heightMm: DRUM.height + 6,
    furniture: [
      rim,
      ...tongues,
      ...numbers,
      label(cx, DRUM.height + 4.6, 'you sit here', 4.6, { anchor: 'middle', ink: 'soft' }),
    ],
    place: ({ x, y }) => ({ x: x - width / 2, y: y - height / 2, width, height }),
  };
}
