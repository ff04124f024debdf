import { NumberField } from '../controls/NumberField.tsx';

export const TEMPO = Object.freeze({ slowest: 20, fastest: 300, usual: 92 });

interface TempoFieldProps {
  readonly tempo: number;
  readonly onTempo: (tempo: number) => void;
}

/** Beats a minute. */
export function TempoField({ tempo, onTempo }: TempoFieldProps) {
  return (
    <NumberField
      label={`Beats a minute, ${TEMPO.slowest} to ${TEMPO.fastest}`}
      silent
      unit="bpm"
      value={tempo}
      least={TEMPO.slowest}
      most={TEMPO.fastest}
      onChange={onTempo}
    />
  );
}
