import type { Diagram } from '../../scene/diagram.ts';
import type { Shape } from '../../scene/scene.ts';
import { label, line, rect } from '../../scene/shapes.ts';
import { isUp, nameAt, type HarpLayout } from './layout.ts';
import type { HarpWay } from './ways.ts';

/** Millimetres. */
const SIZE = Object.freeze({
  left: 17,
  width: 234,
  chip: 8.4,
  lane: 9.2,
  longest: { single: 52, double: 20 },
  shortest: 9,
  margin: 3,
  foot: 7,
});

/**
 * Strings as the player sees them, low to the left, each hanging from its lever. Neighbours stand in two lanes so that
 * their notes stay legible; raised above, down below. Lengths follow the pitch, gently.
 */
export function diagram(layout: HarpLayout): Diagram<HarpWay> {
  const rows: readonly HarpWay['row'][] = layout.double ? ['L', 'R'] : [undefined];
  const column = SIZE.width / layout.strings.length;
  const longest = layout.double ? SIZE.longest.double : SIZE.longest.single;
  const block = 4 * SIZE.lane + longest + SIZE.foot;
  const topOf = (row: HarpWay['row']) => SIZE.margin + rows.indexOf(row) * (block + 2);
  const stringX = (string: number) => SIZE.left + (string + 0.5) * column;
  const width = Math.min(12.6, column * 2 - 0.7);
  return {
    widthMm: SIZE.left + SIZE.width + 9,
    heightMm: 2 * SIZE.margin + rows.length * block + (rows.length - 1) * 2,
    furniture: rows.flatMap((row) => [
      ...names(topOf(row), row),
      ...layout.strings.flatMap((_, string) => stringShapes(layout, string, stringX(string), topOf(row))),
    ]),
    place: ({ row, string, lever }) => ({
      x: stringX(string) - width / 2,
      y: topOf(row) + ((lever === 'up' ? 0 : 2) + (string % 2)) * SIZE.lane,
      width,
      height: SIZE.chip,
    }),
  };
}

function names(top: number, row: 'L' | 'R' | undefined): Shape[] {
  const side = row
    ? [label(1, top + 4 * SIZE.lane + 9, row === 'L' ? 'left row' : 'right row', 4.4, { bold: true })]
    : [];
  return [
    label(1, top + 9, 'lever', 3.8, { ink: 'soft' }),
    label(1, top + 13.6, 'up', 4.2, { bold: true }),
    label(1, top + 2 * SIZE.lane + 9, 'lever', 3.8, { ink: 'soft' }),
    label(1, top + 2 * SIZE.lane + 13.6, 'down', 4.2, { bold: true }),
    ...side,
  ];
}

/** The lever, a bar that stands when up and lies when down, and the string below it; C and F strings are drawn strong. */
function stringShapes(layout: HarpLayout, index: number, x: number, top: number): Shape[] {
  const { letter, octave } = nameAt(layout, index);
  const { pitch, lever } = layout.strings[index]!;
  const y = top + 4 * SIZE.lane + 1;
  const semitones = pitch - layout.strings[0]!.pitch;
  const length =
    SIZE.shortest +
    ((layout.double ? SIZE.longest.double : SIZE.longest.single) - SIZE.shortest) * 2 ** (-semitones / 24);
  const strong = letter === 'C' || letter === 'F';
  const up = isUp(layout, index);
  const leverShape = !lever
    ? []
    : [
        up
          ? rect(x - 0.7, y - 0.6, 1.4, 3.6, { fill: 'brass', radius: 0.5 })
          : rect(x - 1.8, y + 1.4, 3.6, 1.2, { fill: 'rule', radius: 0.5 }),
      ];
  return [
    line(x, y, x, y + length, strong ? 'ink' : 'soft', strong ? 0.75 : 0.4),
    ...leverShape,
    ...(strong ? [label(x, y + length + 3.6, `${letter}${octave}`, 3.6, { anchor: 'middle' as const })] : []),
  ];
}
