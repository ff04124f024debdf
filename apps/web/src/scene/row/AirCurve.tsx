import { area, line as lineShape } from 'd3-shape';
import type { AirBalance } from '@same-song/core/route';
import type { PlacedNote } from './rowSize.ts';
import './row.css';

interface AirCurveProps {
  readonly notes: readonly PlacedNote[];
  readonly balance: AirBalance;
  /** What holds the air: lungs, bellows. */
  readonly store: string;
  /** Sizes in CSS pixels. */
  readonly width: number;
  readonly height: number;
}

interface Point {
  readonly x: number;
  readonly balance: number;
}

/** Least span of the curve in beats, so that one beat does not look like a lungful. */
const LEAST_SPAN = 3;
/** Beats compare equal within this. */
const EPSILON = 1e-6;

/** Beats drawn less beats blown after each note of a row; above the middle there is more air than at the start. */
export function AirCurve({ notes, balance, store, width, height }: AirCurveProps) {
  const { points, helps, most, least } = balance;
  const span = Math.max(LEAST_SPAN, most, -least);
  const y = (value: number) => 3 + ((span - value) / (2 * span)) * (height - 6);
  const after = (beat: number) => points.findLast((point) => point.beat <= beat + EPSILON)?.balance ?? 0;
  const [first] = notes;
  const curve: readonly Point[] = [
    ...(first ? [{ x: first.x - first.room / 2, balance: after(first.note.start) }] : []),
    ...notes.map(({ note, x }) => ({ x, balance: after(note.start + note.beats) })),
  ].filter(({ x }) => Number.isFinite(x));
  const filled = area<Point>()
    .x((point) => point.x)
    .y0(y(0))
    .y1((point) => y(point.balance));
  const edge = lineShape<Point>()
    .x((point) => point.x)
    .y((point) => y(point.balance));
  const helped = notes.filter(({ note }) => helps.includes(note.id));
  const peak = most > 0 ? curve.find((point) => point.balance === most) : undefined;
  return (
    <figure
      className="air-curve"
      aria-label={balanceWords(
        balance,
        store,
        helped.map(({ note }) => note.index + 1),
      )}
    >
      <svg width={width} height={height} aria-hidden="true">
        <path d={filled([...curve]) ?? ''} fill="var(--air)" opacity={0.25} />
        <path d={`M0 ${y(0)}H${width}`} stroke="var(--rule)" strokeWidth={1.5} />
        <path d={edge([...curve]) ?? ''} fill="none" stroke="var(--air)" strokeWidth={2} />
        {helped.map(({ key, x, room }) => (
          <AirNeeded key={key} x={x - Math.min(14, room / 2)} height={height} />
        ))}
        {peak && (
          <text
            x={Math.min(width - 4, Math.max(24, peak.x))}
            y={y(most) + 16}
            textAnchor={peak.x > width / 2 ? 'end' : 'middle'}
            fill="var(--ink)"
            fontSize={14}
          >
            {signed(most)}
          </text>
        )}
      </svg>
    </figure>
  );
}

function AirNeeded({ x, height }: { readonly x: number; readonly height: number }) {
  return (
    <g>
      <path d={`M${x} 0V${height}`} stroke="var(--home)" strokeWidth={2} strokeDasharray="4 3" />
      <text x={x + 4} y={height - 5} fill="var(--home)" fontSize={13} fontWeight={700}>
        air
      </text>
    </g>
  );
}

function balanceWords({ most, least }: AirBalance, store: string, helped: readonly number[]): string {
  const need = helped.length > 0 ? `; air is needed before note ${helped.join(', ')}` : '';
  return `Air in the ${store}: at most ${signed(most)} beats, at least ${signed(least)}${need}`;
}

function signed(value: number): string {
  return value > 0 ? `+${value}` : String(value).replace('-', '−');
}
