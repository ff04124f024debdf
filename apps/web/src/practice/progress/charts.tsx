import { scaleBand, scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import type { TempoCourse } from '@same-song/core/practice';

const WIDTH = 760;
const HEIGHT = 190;
const MARGIN = Object.freeze({ left: 44, right: 10, top: 10, bottom: 28 });

interface Bar {
  readonly label: string;
  readonly value: number;
  readonly title: string;
}

/** Bars side by side, nothing told by colour alone. */
export function BarChart({ label, bars }: { readonly label: string; readonly bars: readonly Bar[] }) {
  const most = Math.max(1, ...bars.map(({ value }) => value));
  const x = scaleBand<number>()
    .domain(bars.map((_, i) => i))
    .range([MARGIN.left, WIDTH - MARGIN.right])
    .padding(0.25);
  const y = scaleLinear()
    .domain([0, most])
    .nice(4)
    .range([HEIGHT - MARGIN.bottom, MARGIN.top]);
  return (
    <svg className="chart card" viewBox={`0 0 ${WIDTH} ${HEIGHT}`} role="img" aria-label={label}>
      {y.ticks(4).map((tick) => (
        <g key={tick}>
          <path d={`M${MARGIN.left} ${y(tick)}H${WIDTH - MARGIN.right}`} stroke="var(--rule)" />
          <text x={MARGIN.left - 6} y={y(tick) + 5} textAnchor="end">
            {tick}
          </text>
        </g>
      ))}
      {bars.map(({ label: name, value, title }, i) => (
        <g key={name + i}>
          <title>{title}</title>
          <rect
            x={x(i)}
            y={y(value)}
            width={x.bandwidth()}
            height={Math.max(0, HEIGHT - MARGIN.bottom - y(value))}
            fill="var(--chord)"
          />
          <text x={x(i)! + x.bandwidth() / 2} y={HEIGHT - 8} textAnchor="middle">
            {name}
          </text>
        </g>
      ))}
    </svg>
  );
}

/** Room at the right for the names of lines. */
const NAMES = 230;

/** Lines apart by how they are drawn, and named at their end. */
const STROKES = [
  { dash: undefined, ink: 'var(--chord)' },
  { dash: '7 4', ink: 'var(--home)' },
  { dash: '2 4', ink: 'var(--colour)' },
  { dash: '12 4 2 4', ink: 'var(--air)' },
] as const;

/** Tempos over time, a line an item. */
export function CourseChart({
  label,
  courses,
}: {
  readonly label: string;
  readonly courses: readonly TempoCourse[];
}) {
  const times = courses.flatMap(({ points }) => points.map(({ at }) => Date.parse(at)));
  const tempos = courses.flatMap(({ points }) => points.map(({ tempo }) => tempo));
  const x = scaleLinear()
    .domain([Math.min(...times), Math.max(Math.min(...times) + 1, ...times)])
    .range([MARGIN.left, WIDTH - NAMES]);
  const y = scaleLinear()
    .domain([Math.min(...tempos) - 4, Math.max(...tempos) + 4])
    .nice(4)
    .range([HEIGHT + 40 - MARGIN.bottom, MARGIN.top]);
  const path = line<TempoCourse['points'][number]>()
    .x(({ at }) => x(Date.parse(at)))
    .y(({ tempo }) => y(tempo));
  const ends = spread(courses.map(({ points }) => y(points.at(-1)!.tempo)));
  return (
    <svg className="chart card" viewBox={`0 0 ${WIDTH} ${HEIGHT + 40}`} role="img" aria-label={label}>
      {y.ticks(5).map((tick) => (
        <g key={tick}>
          <path d={`M${MARGIN.left} ${y(tick)}H${WIDTH - NAMES}`} stroke="var(--rule)" />
          <text x={MARGIN.left - 6} y={y(tick) + 5} textAnchor="end">
            {tick}
          </text>
        </g>
      ))}
      {[Math.min(...times), Math.max(...times)].map((time, i) => (
        <text key={i} x={x(time)} y={HEIGHT + 32} textAnchor={i === 0 ? 'start' : 'end'}>
          {new Date(time).toISOString().slice(0, 10)}
        </text>
      ))}
      {courses.map(({ itemId, name, points }, i) => {
        const { dash, ink } = STROKES[i % STROKES.length]!;
        return (
          <g key={itemId}>
            <title>{name}</title>
            <path
              d={path([...points]) ?? ''}
              fill="none"
              stroke={ink}
              strokeWidth={2.5}
              strokeDasharray={dash}
            />
            <path
              d={`M${WIDTH - NAMES + 8} ${ends[i]! - 4}h22`}
              stroke={ink}
              strokeWidth={3}
              strokeDasharray={dash}
            />
            <text x={WIDTH - NAMES + 36} y={ends[i]}>
              {name.length > 27 ? `${name.slice(0, 26)}…` : name}
            </text>
          </g>
        );
      })}
    </svg>
  );
}

interface ShareLine {
  readonly name: string;
  /** From 0 to 1; undefined where nothing is known. */
  readonly shares: readonly (number | undefined)[];
}

/** Shares of a whole over columns, a line each; a column of which nothing is known is left open. */
export function ShareChart({
  label,
  columns,
  lines,
}: {
  readonly label: string;
  readonly columns: readonly string[];
  readonly lines: readonly ShareLine[];
}) {
  const x = scaleLinear()
    .domain([0, Math.max(1, columns.length - 1)])
    .range([MARGIN.left + 40, WIDTH - NAMES]);
  const known = lines.flatMap(({ shares }) => shares.flatMap((share) => share ?? []));
  // What is nearly whole would lie on one line if it were counted from nothing.
  const lowest = Math.max(0, Math.floor(10 * Math.min(...known) - 0.5) / 10);
  const y = scaleLinear()
    .domain([lowest, 1])
    .range([HEIGHT - MARGIN.bottom, MARGIN.top + 6]);
  const path = line<number | undefined>()
    .defined((share) => share !== undefined)
    .x((_, i) => x(i))
    .y((share) => y(share!));
  const ends = spread(lines.map(({ shares }) => y(shares.findLast((share) => share !== undefined) ?? 0)));
  return (
    <svg className="chart card" viewBox={`0 0 ${WIDTH} ${HEIGHT}`} role="img" aria-label={label}>
      {y.ticks(4).map((tick) => (
        <g key={tick}>
          <path d={`M${MARGIN.left + 16} ${y(tick)}H${WIDTH - NAMES}`} stroke="var(--rule)" />
          <text x={MARGIN.left + 10} y={y(tick) + 5} textAnchor="end">
            {Math.round(100 * tick)} %
          </text>
        </g>
      ))}
      {columns.map((column, i) => (
        <text key={column} x={x(i)} y={HEIGHT - 8} textAnchor="middle">
          {column}
        </text>
      ))}
      {lines.map(({ name, shares }, i) => {
        const { dash, ink } = STROKES[i % STROKES.length]!;
        return (
          <g key={name}>
            <title>{name}</title>
            <path
              d={path([...shares]) ?? ''}
              fill="none"
              stroke={ink}
              strokeWidth={2.5}
              strokeDasharray={dash}
            />
            {shares.map(
              (share, at) =>
                share !== undefined && <circle key={at} cx={x(at)} cy={y(share)} r={4} fill={ink} />,
            )}
            <path
              d={`M${WIDTH - NAMES + 12} ${ends[i]! - 4}h22`}
              stroke={ink}
              strokeWidth={3}
              strokeDasharray={dash}
            />
            <text x={WIDTH - NAMES + 40} y={ends[i]}>
              {name}
            </text>
          </g>
        );
      })}
    </svg>
  );
}

/** Heights at least a line apart, in their order. */
function spread(heights: readonly number[]): readonly number[] {
  const order = heights.map((_, i) => i).sort((a, b) => heights[a]! - heights[b]!);
  const placed = [...heights];
  order.forEach((i, k) => {
    const above = k === 0 ? -Infinity : placed[order[k - 1]!]!;
    placed[i] = Math.max(heights[i]!, above + 18);
  });
  return placed;
}
