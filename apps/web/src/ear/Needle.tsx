/** Cents to each side that are shown. */
const REACH = 50;

interface NeedleProps {
  readonly cents: number | undefined;
  /** Cents to each side in which it is in tune. */
  readonly band: number;
}

/** How far off a pitch is: a band in which it is in tune, and a mark whose shape tells sharp from flat. */
export function Needle({ cents, band }: NeedleProps) {
  const x = Math.max(-REACH, Math.min(REACH, cents ?? 0));
  const isIn = Math.abs(cents ?? 0) <= band;
  const shape = isIn ? 'M-3 0L0 -4L3 0L0 4Z' : x > 0 ? 'M-3 4L0 -4L3 4Z' : 'M-3 -4L0 4L3 -4Z';
  return (
    <svg className="needle" viewBox="-54 -8 108 17" aria-hidden="true">
      <rect x={-band} y={-5} width={2 * band} height={10} className="needle-band" />
      <rect x={-5} y={-5} width={10} height={10} className="needle-good" />
      <path d={`M${-REACH} 0H${REACH}M0 -6V6`} className="needle-line" />
      {[-40, -30, -20, 20, 30, 40].map((at) => (
        <path key={at} d={`M${at} -1.5V1.5`} className="needle-line" />
      ))}
      <text x={-REACH} y={7.5} className="needle-word">
        flat
      </text>
      <text x={REACH} y={7.5} textAnchor="end" className="needle-word">
        sharp
      </text>
      {cents !== undefined && (
        <path className={`needle-mark ${isIn ? 'in' : 'off'}`} d={shape} transform={`translate(${x} 0)`} />
      )}
    </svg>
  );
}
