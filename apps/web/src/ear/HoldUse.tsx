import { useCallback, useEffect, useMemo, useState } from 'react';
import {
  BAND_WIDTHS,
  BETWEEN,
  centsAround,
  counted,
  HOLD_SECONDS,
  holding,
  isPlayersOwn,
  NOT_HELD,
  NO_FAULTS,
  simulatedPlayer,
  tunedAt,
  type Band,
  type Held,
} from '@same-song/core';
import { Check } from '../controls/Check.tsx';
import { Picklist } from '../controls/Picklist.tsx';
import { Needle } from './Needle.tsx';
import type { UseProps } from './uses.ts';
import { WayPicture } from './WayPicture.tsx';

const WITHIN = BAND_WIDTHS.map((width) => ({ id: String(width), label: `within ${width} cents` }));
const BETWEEN_ID = 'between';

/** One note held in its band for some seconds: a bend, or a third that lies in between. */
export function HoldUse({ chosen, instrument, heard: { ear, listen }, onExample }: UseProps) {
  const usable = useMemo(() => instrument.ways.filter(({ able }) => able), [instrument]);
  const [meant, setMeant] = useState(
    () => (usable.find((way) => isPlayersOwn(instrument, way)) ?? usable[0] ?? instrument.ways[0]!).id,
  );
  const way = instrument.ways.find(({ id }) => id === meant) ?? instrument.ways[0]!;
  const technique = instrument.family.techniques.find(({ id }) => id === way.technique);
  const glides = technique?.glides ?? false;
  const [wanted, setWanted] = useState('15');
  const isBetween = wanted === BETWEEN_ID && glides;
  const half = wanted === BETWEEN_ID ? 15 : Number(wanted);
  const [around, setAround] = useState(false);
  const [seconds, setSeconds] = useState('3');
  const target = tunedAt(instrument, way) + (around ? centsAround(instrument, way) / 100 : 0);
  const band = useMemo((): Band => (isBetween ? BETWEEN : { low: -half, high: half }), [isBetween, half]);
  const [held, setHeld] = useState<Held>(NOT_HELD);
  useEffect(() => {
    setHeld(NOT_HELD);
    const hold = holding(target, band, Number(seconds));
    return listen((frames) => {
      if (frames.length > 0) setHeld(hold.push(frames));
    });
  }, [target, band, seconds, listen]);
  const middle = (band.low + band.high) / 2;
  useEffect(() => {
    const midi = target + middle / 100;
    const notes = [
      // A short one, one that strays, one that is held.
      { id: '0', at: 0.4, midi, seconds: 1 },
      { id: '1', at: 1.8, midi: midi + 0.4, seconds: 0.8 },
      { id: '2', at: 3, midi: midi + 0.06, seconds: Number(seconds) + 0.8 },
    ];
    const { timbre } = instrument.family;
    onExample((rate) => simulatedPlayer(notes, { rate, timbre, faults: { ...NO_FAULTS, noise: 40 } }));
  }, [onExample, target, middle, seconds, instrument]);
  const choose = useCallback((id: string) => setMeant(id), []);
  const cents = held.cents === undefined ? undefined : held.cents - middle;
  const share = Math.min(1, held.seconds / Number(seconds));
  return (
    <>
      <div className="practice-tools">
        <Picklist
          label="Hold"
          value={way.id}
          choices={usable.map(({ id, words }) => ({ id, label: words }))}
          onChange={setMeant}
        />
        <Picklist
          label="where"
          silent
          value={isBetween ? BETWEEN_ID : String(half)}
          choices={
            glides ? [...WITHIN, { id: BETWEEN_ID, label: 'between it and the semitone above' }] : WITHIN
          }
          onChange={setWanted}
        />
        <Picklist
          label="for"
          value={seconds}
          choices={HOLD_SECONDS.map((count) => ({ id: String(count), label: counted(count, 'second') }))}
          onChange={setSeconds}
        />
        {isPlayersOwn(instrument, way) && (
          <Check label="against the reeds around it" checked={around} onChange={setAround} />
        )}
      </div>
      <section className="listen-now" aria-live="off">
        <p className="listen-way">{way.words}</p>
        <p className="listen-cents">{heldWords(held, cents, ear.state === 'listening')}</p>
        <Needle cents={cents} band={band.high - middle} />
        <div
          className="hold-bar"
          role="progressbar"
          aria-label="held"
          aria-valuemin={0}
          aria-valuemax={Number(seconds)}
          aria-valuenow={Math.round(10 * held.seconds) / 10}
        >
          <span style={{ width: `${100 * share}%` }} className={share === 1 ? 'done' : ''} />
        </div>
      </section>
      <p className="hold-told" role="status">
        {held.longest > 0 && (
          <>
            Held {held.times} {held.times === 1 ? 'time' : 'times'}; the longest {held.longest.toFixed(1)}{' '}
            seconds{held.sway > 0 && `, swaying by ${counted(Math.round(held.sway), 'cent')}`}.
          </>
        )}
        {isBetween &&
          ' In between is anywhere from a quarter to three quarters of the way up: neither the lower nor the upper note.'}
      </p>
      <WayPicture
        chosen={chosen}
        instrument={instrument}
        label="Choose the note to be held"
        selected={way.id}
        onSelect={choose}
      />
    </>
  );
}

function heldWords({ seconds }: Held, cents: number | undefined, isListening: boolean): string {
  if (seconds > 0) return `${seconds.toFixed(1)} seconds`;
  if (cents === undefined) return isListening ? 'Play it.' : ' ';
  return `${cents > 0 ? 'lower' : 'higher'}, by ${Math.round(Math.abs(cents))} cents`;
}
