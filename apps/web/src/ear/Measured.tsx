import Button from '@mui/material/Button';
import {
  centsWords,
  counted,
  pitchStandard,
  type Instrument,
  type InstrumentSpec,
  type Measurement,
} from '@same-song/core';

interface MeasuredProps {
  readonly instrument: Instrument;
  readonly measurements: readonly Measurement[];
  readonly canKeep: boolean;
  readonly onKeep: (measured: InstrumentSpec['measured']) => void;
  /** @param a4 Hz */
  readonly onStandard: (a4: number) => void;
  readonly onClear: () => void;
}

/** What was heard of each way so far, and where the whole instrument stands. */
export function Measured({ instrument, measurements, canKeep, onKeep, onStandard, onClear }: MeasuredProps) {
  if (measurements.length === 0) return null;
  const standard = pitchStandard(instrument, measurements);
  const take = () =>
    onKeep(
      Object.fromEntries(
        measurements.map(({ way, cents }) => [
          way.id,
          { pitch: way.pitch, cents: Math.round(cents + instrument.centsOf(way)) },
        ]),
      ),
    );
  return (
    <section className="listen-measured">
      <h2>Heard so far</h2>
      <table className="log-list">
        <thead>
          <tr>
            <th>Way</th>
            <th>Times</th>
            <th>In the middle</th>
            <th>From lowest to highest</th>
          </tr>
        </thead>
        <tbody>
          {measurements.map(({ way, count, cents, spread }) => (
            <tr key={way.id}>
              <td>{way.words}</td>
              <td>{count}</td>
              <td>{centsWords(cents, way.technique !== instrument.family.techniques[0]!.id)}</td>
              <td>{count > 1 ? counted(Math.round(spread), 'cent') : ''}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {standard && (
        <p>
          The whole of it stands at A = {standard.a4.toFixed(1)} Hz, its plain notes within{' '}
          {counted(Math.round(standard.spread), 'cent')}
          {standard.uneven ? ': so uneven that it wants a tuner, not another standard.' : '.'}
        </p>
      )}
      <p className="practice-tools">
        <Button size="small" variant="outlined" disabled={!canKeep} onClick={take}>
          Take these cents into its map
        </Button>
        {standard && !standard.uneven && Math.abs(standard.cents) >= 2 && (
          <Button
            size="small"
            variant="outlined"
            disabled={!canKeep}
            onClick={() => onStandard(Math.round(10 * standard.a4) / 10)}
          >
            Keep it with A at {standard.a4.toFixed(1)} Hz
          </Button>
        )}
        <Button size="small" variant="text" onClick={onClear}>
          Forget them
        </Button>
      </p>
    </section>
  );
}
