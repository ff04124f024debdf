import Button from '@mui/material/Button';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useSearchParams } from 'react-router';
import {
  centsWords,
  defaultQuestion,
  earFor,
  familyById,
  gatherNotes,
  measure,
  NO_FAULTS,
  openInstrument,
  expectOk,
  simulatedPlayer,
  soundsAt,
  waysMeant,
  type Instrument,
  type InstrumentSpec,
} from '@same-song/core';
import { instruments, specOf } from '../api/records.ts';
import { dialectOf, useSettings } from '../api/settings.ts';
import { useMapView } from '../compute/compute.ts';
import { Picklist } from '../controls/Picklist.tsx';
import { useShortcuts } from '../frame/shortcuts.ts';
import { useKeeping } from '../frame/useKeeping.ts';
import { choose as chooseInstrument, ownKeyOf, type ChosenInstrument } from '../question/reference.ts';
import { SceneView } from '../scene/SceneView.tsx';
import { EarButtons } from './EarButtons.tsx';
import { Measured } from './Measured.tsx';
import { Meter } from './Meter.tsx';
import { Needle } from './Needle.tsx';
import { useEar } from './useEar.ts';
import './ear.css';

/** Hears an instrument of the cabinet: which way it was, how far off, and what all its ways come to. */
export function ListenView() {
  const { data: cabinet = [], isPending } = instruments.useList();
  const [params, setParams] = useSearchParams();
  const chosen = useMemo(
    () => chooseInstrument(params.get('on'), cabinet, isPending),
    [params, cabinet, isPending],
  );
  if (!chosen) return <p className="loading">Opening the cabinet…</p>;
  return (
    <div className="listen">
      <h1>Listen</h1>
      <div className="practice-tools">
        <Picklist
          label="to"
          value={chosen.ref}
          choices={
            chosen.record
              ? cabinet.map(({ id, name }) => ({ id, label: name }))
              : [{ id: chosen.ref, label: chosen.spec.name }]
          }
          onChange={(on) => setParams({ on }, { replace: true })}
        />
        <p className="listen-private">
          What is heard stays on this page: nothing is recorded, nothing is sent.
        </p>
      </div>
      <Listening key={chosen.key} chosen={chosen} />
    </div>
  );
}

/** A note that was decided, with the way that was meant where somebody said it. */
interface Gathered {
  readonly midi: number;
  readonly wayId?: string;
}

function Listening({ chosen }: { readonly chosen: ChosenInstrument }) {
  const { settings } = useSettings();
  const family = familyById(chosen.spec.family)!;
  const instrument = useMemo(() => expectOk(openInstrument(chosen.spec)), [chosen.spec]);
  const options = useMemo(() => earFor(instrument), [instrument]);
  const question = useMemo(() => defaultQuestion(family, ownKeyOf(chosen)), [family, chosen]);
  const { data: view } = useMapView(chosen, question, {
    naming: settings.naming,
    dialect: dialectOf(settings, family),
  });
  /** The way that is meant; whichever is nearest where nobody says. */
  const [meant, setMeant] = useState<string | undefined>(undefined);
  const [gathered, setGathered] = useState<readonly Gathered[]>([]);
  const gather = useRef(gatherNotes(options.struck));
  const latest = useRef(meant);
  useEffect(() => {
    latest.current = meant;
  }, [meant]);
  const ear = useEar(options, (frames) => {
    const notes = gather.current.push(frames);
    if (notes.length === 0) return;
    const wayId = latest.current;
    setGathered((before) => [
      ...before,
      ...notes.map(({ midi }) => ({ midi, ...(wayId !== undefined && { wayId }) })),
    ]);
  });
  const begin = () => {
    gather.current = gatherNotes(options.struck);
  };
  const simulated = useCallback((rate: number) => everyWay(instrument, rate), [instrument]);
  useShortcuts([
    {
      key: ' ',
      label: 'Listen, or stop',
      group: 'Listening',
      run: () => {
        if (ear.state === 'listening') return ear.end();
        begin();
        ear.begin({ kind: 'microphone' });
      },
    },
    { key: 'Escape', label: 'Any way is meant', group: 'Listening', run: () => setMeant(undefined) },
  ]);
  const heard = ear.now === null ? [] : waysMeant(instrument, ear.now);
  const asked = instrument.ways.find(({ id }) => id === meant);
  const cents = asked && ear.now !== null ? 100 * (ear.now - soundsAt(instrument, asked)) : heard[0]?.cents;
  const way = asked ?? heard[0]?.way;
  const bent = way !== undefined && way.technique !== family.techniques[0]!.id;
  const isFar = cents !== undefined && Math.abs(cents) > 60;
  const names = useMemo(
    () => new Map(view?.ways.map((one) => [one.id, `${one.words}, ${one.note}`])),
    [view],
  );
  const measurements = useMemo(() => measure(instrument, gathered), [instrument, gathered]);
  const used = useMemo(() => new Set(measurements.map((one) => one.way.id)), [measurements]);
  // The drawing is drawn anew when another note sounds, not with every piece that is heard.
  const others = heard
    .slice(1)
    .map((one) => one.way.id)
    .join(' ');
  const related = useMemo(() => new Set(others.split(' ')), [others]);
  const choose = useCallback((id: string) => setMeant((now) => (now === id ? undefined : id)), []);
  return (
    <>
      <EarButtons ear={ear} simulated={simulated} onBegin={begin}>
        {asked && (
          <Button variant="text" onClick={() => setMeant(undefined)}>
            Meant: {asked.words}. Any way again
          </Button>
        )}
      </EarButtons>
      <Meter ear={ear} />
      <section className="listen-now" aria-live="off">
        <p className="listen-way">{way ? way.words : ear.state === 'listening' ? 'Play a note.' : ' '}</p>
        <p className="listen-cents">
          {cents === undefined
            ? ' '
            : isFar
              ? `another note, ${cents > 0 ? 'higher' : 'lower'}`
              : centsWords(cents, bent)}
        </p>
        <Needle cents={isFar ? undefined : cents} bent={bent} />
      </section>
      {view && (
        <div className="listen-drawing">
          <SceneView
            scene={view.scene}
            label="Choose the way that is meant"
            names={names}
            selected={way?.id}
            related={related}
            used={used}
            walked
            onSelect={choose}
          />
        </div>
      )}
      <MeasuredOf
        chosen={chosen}
        instrument={instrument}
        measurements={measurements}
        onClear={() => setGathered([])}
      />
    </>
  );
}

/** What was measured, and taking it into the instrument where it is one of the cabinet. */
function MeasuredOf({
  chosen,
  instrument,
  measurements,
  onClear,
}: {
  readonly chosen: ChosenInstrument;
  readonly instrument: Instrument;
  readonly measurements: ReturnType<typeof measure>;
  readonly onClear: () => void;
}) {
  const { change, busy } = useKeeping(instruments);
  const { record } = chosen;
  const put = (part: Partial<InstrumentSpec>, label: string, notice: string) => {
    if (!record) return;
    const before = specOf(record);
    change(record, { before, after: { ...before, ...part }, label, notice });
    onClear();
  };
  return (
    <Measured
      instrument={instrument}
      measurements={measurements}
      canKeep={record !== undefined && !busy}
      onClear={onClear}
      onKeep={(measured) =>
        put(
          { measured: { ...instrument.spec.measured, ...measured } },
          `measuring ${chosen.spec.name}`,
          'The cents are in its map now.',
        )
      }
      onStandard={(a4) =>
        put({ a4 }, `the pitch of ${chosen.spec.name}`, `It is kept with A at ${a4.toFixed(1)} Hz now.`)
      }
    />
  );
}

/** Every plain way once, a little off, as somebody would play it who tries an instrument. */
function everyWay(instrument: Instrument, rate: number): Float32Array {
  const plain = instrument.family.techniques[0]!.id;
  const ways = instrument.ways.filter(({ technique }) => technique === plain).slice(0, 24);
  const notes = ways.map((way, i) => ({
    ...{ id: way.id, at: 0.4 + 0.8 * i, seconds: 0.6 },
    midi: soundsAt(instrument, way) + [0.03, -0.06, 0.09, -0.14, 0][i % 5]!,
  }));
  return simulatedPlayer(notes, {
    ...{ rate, timbre: instrument.family.timbre, faults: { ...NO_FAULTS, noise: 40 } },
  });
}
