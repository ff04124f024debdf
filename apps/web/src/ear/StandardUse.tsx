import Button from '@mui/material/Button';
import { useEffect, useMemo } from 'react';
import { counted } from '@same-song/core';
import {
  centsWords,
  measure,
  pitchStandard,
  soundsAt,
  STANDARD_LEAST,
  type Standard,
} from '@same-song/core/ear';
import { instruments, specOf } from '../api/records.ts';
import { useRecordActions } from '../frame/useRecordActions.ts';
import { playedEvenly } from './examples.ts';
import { ForgetNotes } from './ForgetNotes.tsx';
import { useGathered } from './heard.ts';
import type { UseProps } from './listeningUse.ts';

/** An instrument that stands farther off cannot join others, in cents. Source: old concertinas stand 40 to 50 high. */
const APART = 25;
/** Nearer it stands where it is said to stand, in cents. */
const SAME = 2;
/** Semitones by which an old instrument is high, for an example. */
const OLD = 0.45;

/** Where an instrument's pitch stands, from a few of its plain notes. */
export function StandardUse({ chosen, instrument, heard, onExample }: UseProps) {
  const gathering = useGathered(heard);
  const { gathered, clear } = gathering;
  const measurements = useMemo(() => measure(instrument, gathered), [instrument, gathered]);
  const standard = pitchStandard(instrument, measurements);
  const { change, busy } = useRecordActions(instruments);
  const plain = instrument.family.techniques[0]!.id;
  useEffect(() => {
    const ways = instrument.ways.filter(({ technique }) => technique === plain).slice(4, 11);
    const pitches = ways.map((way, i) => soundsAt(instrument, way) + OLD + [0, 0.04, -0.03][i % 3]!);
    onExample(playedEvenly(pitches, instrument.family.timbre));
  }, [onExample, instrument, plain]);
  const { record } = chosen;
  const a4 = standard && Math.round(10 * standard.a4) / 10;
  const keep = () => {
    if (!record || a4 === undefined) return;
    const before = specOf(record);
    change(record, {
      after: { ...before, a4 },
      label: `the pitch of ${record.name}`,
      notice: `It is kept with A at ${a4.toFixed(1)} Hz now.`,
      onChanged: clear,
    });
  };
  const plainHeard = measurements.filter(({ way }) => way.technique === plain);
  return (
    <>
      <section className="listen-now" aria-label="What is heard" aria-live="polite">
        <p className="listen-way">
          {a4 === undefined ? 'Play several plain notes.' : `A = ${a4.toFixed(1)} Hz`}
        </p>
        <p className="listen-cents">
          {standard
            ? standardWords(standard, instrument.spec.a4)
            : `${plainHeard.length} of ${STANDARD_LEAST} ways at least`}
        </p>
      </section>
      {standard && (
        <p className="hold-told">
          From {counted(plainHeard.length, 'way')}, within {counted(Math.round(standard.spread), 'cent')} of
          each other{standard.uneven ? ': so uneven that it wants a tuner, not another standard.' : '.'}{' '}
          {!standard.uneven &&
            Math.abs(standard.cents) >= APART &&
            'It cannot join instruments that stand where it is said to stand: tell everybody before the lesson.'}
        </p>
      )}
      <ul className="struck row bare" aria-label="Struck">
        {plainHeard.map(({ way, cents }) => (
          <li key={way.id}>
            <b>{way.words}</b>
            <span>{centsWords(cents)}</span>
          </li>
        ))}
      </ul>
      <p className="practice-tools row">
        {standard && !standard.uneven && Math.abs(standard.cents) >= SAME && (
          <Button variant="contained" disabled={!record || busy} onClick={keep}>
            Keep it with A at {a4!.toFixed(1)} Hz
          </Button>
        )}
        <ForgetNotes gathering={gathering} />
      </p>
    </>
  );
}

function standardWords({ cents }: Standard, a4: number): string {
  const off = Math.round(Math.abs(cents));
  const kept = Number.isInteger(a4) ? String(a4) : a4.toFixed(1);
  return off < SAME
    ? `where it is kept: A = ${kept} Hz`
    : `${counted(off, 'cent')} ${cents > 0 ? 'above' : 'below'} the ${kept} Hz it is kept with`;
}
