import { useState } from 'react';
import '../controls/controls.css';

export const TEMPO = Object.freeze({ slowest: 20, fastest: 300, usual: 92 });

interface TempoFieldProps {
  readonly tempo: number;
  readonly onTempo: (tempo: number) => void;
}

/** Beats a minute: any whole number in its range. What is typed counts as soon as it is one, and may be none meanwhile. */
export function TempoField({ tempo, onTempo }: TempoFieldProps) {
  const [typed, setTyped] = useState<string | undefined>(undefined);
  const wrong = typed !== undefined && tempoOf(typed) === undefined;
  const limits = `${TEMPO.slowest} to ${TEMPO.fastest}`;
  return (
    <label className="tool-number" title={wrong ? `A whole number from ${limits}` : undefined}>
      <span className="unseen">Beats a minute, {limits}</span>
      <input
        type="number"
        min={TEMPO.slowest}
        max={TEMPO.fastest}
        step={1}
        value={typed ?? tempo}
        aria-invalid={wrong}
        onChange={(event) => {
          setTyped(event.target.value);
          const read = tempoOf(event.target.value);
          if (read !== undefined) onTempo(read);
        }}
        onBlur={() => setTyped(undefined)}
      />
      bpm
    </label>
  );
}

function tempoOf(text: string): number | undefined {
  const tempo = /^\d+$/.test(text) ? Number(text) : NaN;
  return tempo >= TEMPO.slowest && tempo <= TEMPO.fastest ? tempo : undefined;
}
