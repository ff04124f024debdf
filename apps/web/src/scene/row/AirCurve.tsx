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

/** Least span of the curve in seconds, so that one second does not look like a lungful. */
const LEAST_SPAN = 3;
/** Beats compare equal within this. */
const EPSILON = 1e-6;

/**
 * The air after each note of a row in seconds: of lungs what was drawn less what was blown since breath was taken, above
 * the middle or below it; of bellows how far they are open.
 */
export function AirCurve({ notes, balance, store, width, height }: AirCurveProps) {
  const { points, helps, most, least, start, capacity } = balance;
  const isBellows = start !== undefined;
  const span = isBellows ? capacity! : Math.max(LEAST_SPAN, most, -least);
  const y = (value: number) => 3 + ((span - value) / (isBellows ? span : 2 * span)) * (height - 6);
  const before = (beat: number) => points.findLast((point) => point.beat <= beat + EPSILON)?.balance ?? 0;
  // Where air is had just after a note, the note still ends with what there was.
  const after = (beat: number) => points.find((point) => point.beat >= beat - EPSILON)?.balance ?? 0;
  const [first] = notes;
  const curve: readonly Point[] = [
    ...(first ? [{ x: first.x - first.room / 2, balance: before(first.note.start) }] : []),
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
  const peak = most > 0 ? curve.slice(1).find((point) => point.balance === most) : undefined;
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
            {isBellows ? `open ${seconds(most)} s` : `${signed(most)} s`}
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
  return `Air in the ${store}: at most ${signed(most)} seconds, at least ${signed(least)}${need}`;
}

const seconds = (value: number) => value.toFixed(1).replace('.0', '');

function signed(value: number): string {
  return value > 0 ? `+${seconds(value)}` : seconds(value).replace('-', '−');
}
