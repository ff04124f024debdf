import type { Diagram, Place } from '../../scene/diagram.ts';
import type { Shape } from '../../scene/scene.ts';
import { label, line, rect } from '../../scene/shapes.ts';
import { STRINGS, type StringName } from './tables.ts';
import { capoAt, openText, type DulcimerLayout } from './layout.ts';
import type { DulcimerWay } from './ways.ts';

/** Millimetres. The fretboard is drawn for the frets up to the last one, so that the upper frets stay apart. */
const SIZE = Object.freeze({
  left: 30,
  length: 224,
  string: 22,
  chip: 9.8,
  head: 9,
  margin: 3,
  opening: 13,
});

/** Where frets leave less room than `least`, neighbours stand in two lanes, one above and one below the string. */
const CHIP_WIDTH = Object.freeze({ widest: 13.4, least: 8.6 });

/** Millimetres that a fret's name takes. */
const NAME_ROOM = 6.2;

/** Strings as the player looks down on them: melody nearest (below), bass farthest; frets spaced by 2^(−n/12). */
export function diagram(layout: DulcimerLayout): Diagram<DulcimerWay> {
  const last = Math.max(...layout.frets.map((fret) => fret.semitones));
  const span = 1 - 2 ** (-last / 12);
  const room = SIZE.length - SIZE.opening - 8;
  const fretX = (semitones: number) =>
    SIZE.left + SIZE.opening + (room * (1 - 2 ** (-semitones / 12))) / span;
  const stringY = (string: StringName) => SIZE.margin + SIZE.head + STRINGS.indexOf(string) * SIZE.string;
  const bottom = stringY('melody') + SIZE.string;
  const capo = capoAt(layout);
  const board = rect(
    SIZE.left + SIZE.opening - 3,
    SIZE.margin + SIZE.head - 2,
    SIZE.length - SIZE.opening + 3,
    bottom - SIZE.margin - SIZE.head + 4,
    {
      fill: 'leaf',
      stroke: 'rule',
      strokeMm: 0.6,
      radius: 3,
    },
  );
  const frets = layout.frets.flatMap((fret, i): Shape[] => {
    const half = fret.name.includes('½');
    const x = fretX(fret.semitones);
    // Half frets are named on a second line, and of close whole ones every other on a third.
    const before = layout.frets[i - 1];
    const close = before !== undefined && x - fretX(before.semitones) < NAME_ROOM;
    const nameLane = half ? 1 : close && i % 2 === 1 ? 2 : 0;
    return [
      line(x, SIZE.margin + SIZE.head - 1, x, bottom + 1, half ? 'rule' : 'brass', half ? 0.8 : 1.1),
      label(x, bottom + 6.2 + nameLane * 4.2, fret.name, half ? 3.6 : 4.4, { anchor: 'middle', bold: !half }),
    ];
  });
  const nut = line(
    SIZE.left + SIZE.opening,
    SIZE.margin + SIZE.head - 1,
    SIZE.left + SIZE.opening,
    bottom + 1,
    'wood',
    1.8,
  );
  const strings = STRINGS.flatMap((string, i): Shape[] => {
    const y = stringY(string) + SIZE.string / 2;
    return [
      line(SIZE.left, y, SIZE.left + SIZE.length, y, 'ink', 0.9 - i * 0.25),
      ...(string === 'melody'
        ? [line(SIZE.left, y + 1.2, SIZE.left + SIZE.length, y + 1.2, 'ink', 0.3)]
        : []),
      label(1, y - 0.6, string, 4.4, { bold: true }),
      label(1, y + 4.4, openText(layout, string), 4, { ink: 'soft' }),
    ];
  });
  const capoBar =
    capo > 0
      ? [
          rect(fretX(capo) - 2.4, SIZE.margin + SIZE.head - 3, 2.4, bottom - SIZE.margin - SIZE.head + 6, {
            fill: 'wood',
            radius: 1,
          }),
        ]
      : [];
  return {
    widthMm: SIZE.left + SIZE.length + SIZE.margin,
    heightMm: bottom + 15 + SIZE.margin,
    furniture: [board, ...frets, nut, ...strings, ...capoBar],
    place: placesOn(layout, fretX, stringY),
  };
}

function placesOn(
  layout: DulcimerLayout,
  fretX: (semitones: number) => number,
  stringY: (string: StringName) => number,
): (way: DulcimerWay) => Place {
  const edges = [fretX(0), ...layout.frets.map((fret) => fretX(fret.semitones))];
  const narrow = edges.findIndex((edge, i) => i > 0 && edge - edges[i - 1]! - 0.7 < CHIP_WIDTH.least);
  const crowdedFrom = narrow < 0 ? Infinity : narrow;
  return (way) => {
    const middle = stringY(way.technique) + SIZE.string / 2;
    const at = layout.frets.findIndex((fret) => fret.name === way.fret) + 1;
    const right = fretX(way.semitones);
    const height = SIZE.chip;
    if (way.fret === '0')
      return { x: Math.max(SIZE.left + 0.5, right - 12.6), y: middle - height / 2, width: 11.4, height };
    // A finger presses just left of its fret: the chip fills that place, as far as the next fret lets it.
    const room = right - edges[at - 1]! - 0.7;
    const crowded = at >= crowdedFrom;
    const twoFrets = right - edges[at - 2]! - 0.7;
    const width = Math.min(CHIP_WIDTH.widest, at > crowdedFrom ? twoFrets : room);
    const lane = crowded ? (at % 2 === 0 ? -1 : 1) : 0;
    const y = middle - height / 2 + lane * (height / 2 + 0.3);
    return { x: right - width - 0.35, y, width, height };
  };
}
