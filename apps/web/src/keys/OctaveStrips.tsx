import { scaleLinear } from 'd3-scale';
import { pitchText } from '@same-song/core/music';
import type { KeyCell } from '@same-song/core/route';
import { FigureTools } from '../controls/FigureTools.tsx';
import { scaleName, tonicText } from './cellWords.ts';

const SIZE = { width: 840, left: 54, row: 17, top: 22 };

/** One scale in every key along the instrument's reach: complete octaves as bars, missing notes as gaps in the line. */
export function OctaveStrips({ cells, selected }: { cells: readonly KeyCell[]; selected: string }) {
  const pitches = cells.flatMap((cell) => [
    ...cell.missing,
    ...cell.octaves.flatMap((octave) => [octave.from, octave.from + 12]),
  ]);
  if (pitches.length === 0) return null;
  const low = Math.min(...pitches);
  const high = Math.max(...pitches);
  const x = scaleLinear([low, high], [SIZE.left, SIZE.width - 16]);
  const marks = Array.from({ length: high - low + 1 }, (_, i) => low + i).filter((pitch) => pitch % 12 === 0);
  const total = (cell: KeyCell) => cell.octaves.map((octave) => octave.total);
  const most = Math.max(1e-9, ...cells.flatMap(total));
  const words = cells.map((cell) => `${tonicText(cell.tonic)} ${cell.octaves.length}`).join(', ');
  return (
    <figure className="strips">
      <svg
        viewBox={`0 0 ${SIZE.width} ${SIZE.top + cells.length * SIZE.row + 4}`}
        role="img"
        aria-label={`Complete octaves by key: ${words}`}
      >
        {marks.map((pitch) => (
          <g key={pitch}>
            <path
              d={`M${x(pitch)} ${SIZE.top - 4} V${SIZE.top + cells.length * SIZE.row}`}
              stroke="var(--rule)"
            />
            <text x={x(pitch)} y={13} textAnchor="middle" fontSize={13} fill="var(--soft)">
              {pitchText(pitch)}
            </text>
          </g>
        ))}
        {cells.map((cell, i) => (
          <Strip
            key={cell.tonic}
            cell={cell}
            x={x}
            y={SIZE.top + i * SIZE.row}
            most={most}
            isSelected={cell.tonic === selected}
          />
        ))}
      </svg>
      <FigureTools title={`Complete octaves of ${scaleName(cells[0]!.scale)}`} />
      <figcaption>
        Bars: complete octaves, the thicker the easier; dashed where something hard is needed. ×: a note that
        cannot be had.
      </figcaption>
    </figure>
  );
}

interface StripProps {
  readonly cell: KeyCell;
  /** Place of a pitch, and of the strip's top, in the drawing. */
  readonly x: (pitch: number) => number;
  readonly y: number;
  /** What the hardest octave of all strips costs. */
  readonly most: number;
  readonly isSelected: boolean;
}

/** One key: its complete octaves, and notes that cannot be had. */
function Strip({ cell, x, y, most, isSelected }: StripProps) {
  return (
    <g>
      <text x={4} y={y + 13} fontSize={14} fontWeight={isSelected ? 800 : 500} fill="var(--ink)">
        {tonicText(cell.tonic)}
      </text>
      {cell.octaves.map(({ from, total, hard }) => {
        const height = 5 + 8 * (1 - total / most);
        const isHard = hard.length > 0;
        return (
          <rect
            key={from}
            x={x(from) + 1}
            width={x(from + 12) - x(from) - 2}
            y={y + 8 - height / 2}
            height={height}
            rx={3}
            fill={isHard ? 'var(--leaf)' : 'var(--chord)'}
            stroke="var(--chord)"
            strokeWidth={2}
            strokeDasharray={isHard ? '4 2' : undefined}
          />
        );
      })}
      {cell.missing.map((pitch) => (
        <path
          key={pitch}
          d={`M${x(pitch) - 3} ${y + 5} l6 6 m0 -6 l-6 6`}
          stroke="var(--home)"
          strokeWidth={1.8}
        />
      ))}
    </g>
  );
}
