import type { RoundState } from '@same-song/core/practice';

/** The beats of a bar, the one that sounds filled; the first one is larger. @param count of the first bar */
export function Beats({
  count,
  state: { beat, phase },
}: {
  readonly count: number;
  readonly state: Pick<RoundState, 'beat' | 'phase'>;
}) {
  return (
    <div className={phase === 'counting' ? 'beats counting' : 'beats'} aria-hidden="true">
      {Array.from({ length: Math.ceil(beat?.of ?? count) }, (_, i) => (
        <span key={i} className={`${i === 0 ? 'beat first' : 'beat'}${i + 1 === beat?.beat ? ' now' : ''}`}>
          {i + 1 === beat?.beat ? beat.said : i + 1}
        </span>
      ))}
    </div>
  );
}
