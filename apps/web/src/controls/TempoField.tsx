import { TEMPO_LIMITS } from '@same-song/core/practice';
import { NumberField } from './NumberField.tsx';

/** Beats a minute at which a line is heard first. */
export const USUAL_TEMPO = 92;

interface TempoFieldProps {
  readonly tempo: number;
  readonly onTempo: (tempo: number) => void;
}

/** Beats a minute. */
export function TempoField({ tempo, onTempo }: TempoFieldProps) {
  return (
    <NumberField
      label={`Beats a minute, ${TEMPO_LIMITS.least} to ${TEMPO_LIMITS.most}`}
      silent
      unit="bpm"
      value={tempo}
      least={TEMPO_LIMITS.least}
      most={TEMPO_LIMITS.most}
      onChange={onTempo}
    />
  );
}
