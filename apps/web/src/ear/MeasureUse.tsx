import Button from '@mui/material/Button';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { Link } from 'react-router';
import { counted } from '@same-song/core';
import { centsWords, isPlayersOwn, measure, type Measuring, type Measurement } from '@same-song/core/ear';
import type { Instrument } from '@same-song/core/instruments';
import type { RecordOf } from '../api/records.ts';
import { Check } from '../controls/Check.tsx';
import { useShortcuts } from '../frame/shortcuts.ts';
import { everyWay } from './examples.ts';
import { ForgetNotes } from './ForgetNotes.tsx';
import { useGathered, type Gathering } from './heard.ts';
import { useMeasurings } from './useMeasurings.ts';
import type { UseProps } from './listeningUse.ts';
import { WayPicture } from './WayPicture.tsx';

/** Measurings that stand side by side; of older ones only the middle tells. */
const SHOWN = 3;

/** Every way of an instrument against the tuner: what was heard now and in earlier measurings, and what its map takes of it. */
export function MeasureUse({ chosen, instrument, heard, onExample }: UseProps) {
  const [meant, setMeant] = useState<string | undefined>(undefined);
  const gathering = useGathered(heard, meant);
  const { gathered } = gathering;
  const measurements = useMemo(() => measure(instrument, gathered), [instrument, gathered]);
  useEffect(() => onExample(everyWay(instrument)), [onExample, instrument]);
  const group = 'Listening';
  useShortcuts([{ key: 'Escape', label: 'Any way is meant', group, run: () => setMeant(undefined) }]);
  const choose = useCallback((id: string) => setMeant((now) => (now === id ? undefined : id)), []);
  const asked = instrument.ways.find(({ id }) => id === meant);
  return (
    <>
      <p className="practice-tools row">
        {asked ? (
          <>
            All that is heard goes to {asked.words}.
            <Button variant="text" onClick={() => setMeant(undefined)}>
              Any way again
            </Button>
          </>
        ) : (
          'Play every way a few times, one after the other. Where two ways sound alike, choose the one you play on the drawing.'
        )}
      </p>
      <WayPicture
        chosen={chosen}
        instrument={instrument}
        label="Choose the way that is measured"
        selected={meant}
        used={measurements.map(({ way }) => way.id).join(' ')}
        onSelect={choose}
      />
      <Measured chosen={chosen} instrument={instrument} measurements={measurements} gathering={gathering} />
    </>
  );
}

interface MeasuredProps extends Pick<UseProps, 'chosen' | 'instrument'> {
  readonly measurements: readonly Measurement[];
  readonly gathering: Gathering;
}

function Measured({ chosen, instrument, measurements, gathering }: MeasuredProps) {
  const own = useMeasurings({ chosen, instrument }, measurements, gathering);
  const { record, kept } = own;
  if (measurements.length === 0 && kept.length === 0) return null;
  return (
    <section className="listen-measured">
      {record ? (
        <p className="practice-tools row">
          <Button variant="contained" disabled={!own.canKeep} onClick={own.keep}>
            Keep this measuring
          </Button>
          <Button variant="outlined" disabled={!own.canTake} onClick={own.take}>
            Take the middle of {counted(own.taken, 'way')} into its map
          </Button>
          <ForgetNotes gathering={gathering} />
        </p>
      ) : (
        <p>
          This instrument is on loan.{' '}
          <Link className="link" to="/cabinet">
            Take one into the cabinet
          </Link>{' '}
          to keep what is measured. <ForgetNotes gathering={gathering} />
        </p>
      )}
      <MeasuredTable
        instrument={instrument}
        measurements={measurements}
        kept={kept}
        measured={own.measured}
        without={own.without}
        onTick={record && own.tick}
      />
      {kept.length > 0 && (
        <ul className="plain-list" aria-label="Measurings that are kept">
          {kept.map((one) => (
            <li key={one.id}>
              Measured on {dateWords(one.at)}: {counted(Object.keys(one.ways).length, 'way')}.{' '}
              <Button size="small" variant="text" onClick={() => own.moveToBin(one)}>
                Put away
              </Button>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

interface TableProps {
  readonly instrument: Instrument;
  readonly measurements: readonly Measurement[];
  readonly kept: readonly RecordOf<'measurings'>[];
  readonly measured: Instrument['spec']['measured'];
  readonly without: ReadonlySet<string>;
  /** Undefined where nothing can be kept. */
  readonly onTick: ((id: string) => void) | undefined;
}

function MeasuredTable({ instrument, measurements, kept, measured, without, onTick }: TableProps) {
  const shown = kept.slice(0, SHOWN);
  const heard = new Map(measurements.map((one) => [one.way.id, one]));
  const ways = instrument.ways.filter(({ id }) => heard.has(id) || kept.some((one) => one.ways[id]));
  return (
    <table className="record-table measured-list card" aria-label="What was measured">
      <thead>
        <tr>
          <th scope="col">Way</th>
          <th scope="col">Now</th>
          <th scope="col">Times, and how far apart</th>
          {shown.map(({ id, at }) => (
            <th scope="col" key={id}>
              {dateWords(at)}
            </th>
          ))}
          <th scope="col">Middle</th>
          <th scope="col">In its map</th>
        </tr>
      </thead>
      <tbody>
        {ways.map((way) => {
          const one = heard.get(way.id);
          const middle = measured[way.id]?.cents;
          return (
            <tr key={way.id}>
              <th scope="row">{way.words}</th>
              <td>{one && centsWords(one.cents, isPlayersOwn(instrument, way))}</td>
              <td>
                {one && `${one.count}×${one.count > 1 ? `, ${counted(Math.round(one.spread), 'cent')}` : ''}`}
              </td>
              {shown.map(({ id, ways: then }) => (
                <td key={id}>{signed(cents(then, way.id))}</td>
              ))}
              <td>
                {middle !== undefined && onTick ? (
                  <Check
                    label={signed(middle)}
                    name={`take ${signed(middle)} cents for ${way.words}`}
                    checked={!without.has(way.id)}
                    onChange={() => onTick(way.id)}
                  />
                ) : (
                  signed(middle)
                )}
              </td>
              <td>{signed(instrument.spec.measured[way.id]?.cents)}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

function cents(ways: Measuring['ways'], id: string): number | undefined {
  return ways[id]?.cents;
}

/** `+4`, `−12`, `0`; nothing where nothing is known. */
function signed(value: number | undefined): string {
  if (value === undefined) return '';
  const whole = Math.round(value);
  return whole === 0 ? '0' : `${whole > 0 ? '+' : '−'}${Math.abs(whole)}`;
}

function dateWords(at: string): string {
  return new Date(at).toLocaleDateString(undefined, { day: 'numeric', month: 'short', year: 'numeric' });
}
