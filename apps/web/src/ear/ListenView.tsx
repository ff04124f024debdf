import { useCallback, useMemo, useState } from 'react';
import { expectOk } from '@same-song/core';
import { ALL_PITCHES, earFor } from '@same-song/core/ear';
import { openInstrument } from '@same-song/core/instruments';
import { Loading } from '../controls/Loading.tsx';
import { useLink } from '../frame/useLink.ts';
import { instruments } from '../api/records.ts';
import { Picklist } from '../controls/Picklist.tsx';
import { useShortcuts } from '../frame/shortcuts.ts';
import { choose as chooseInstrument, type ChosenInstrument } from '../question/reference.ts';
import { EarButtons } from './EarButtons.tsx';
import { useListeners } from './heard.ts';
import { Meter } from './Meter.tsx';
import { useEar } from './useEar.ts';
import type { Example, ListeningUse } from './listeningUse.ts';
import { USES } from './uses.ts';
import './ear.css';

/** Hears an instrument of the cabinet, for what it is listened to. */
export function ListenView() {
  const { data: cabinet = [], isPending } = instruments.useList();
  const { params, current, replace } = useLink();
  const chosen = useMemo(
    () => chooseInstrument(params.get('on'), cabinet, isPending),
    [params, cabinet, isPending],
  );
  const use = USES.find(({ id }) => id === params.get('as')) ?? USES[0]!;
  if (!chosen) return <Loading>Opening the cabinet…</Loading>;
  const ask = (changes: Readonly<Record<string, string>>) => {
    const next = current();
    for (const [name, value] of Object.entries(changes)) next.set(name, value);
    replace(next);
  };
  return (
    <div className="listen">
      <h1>Listen</h1>
      <div className="practice-tools row">
        <Picklist
          label="to"
          value={chosen.ref}
          choices={
            chosen.record
              ? cabinet.map(({ id, name }) => ({ id, label: name }))
              : [{ id: chosen.ref, label: chosen.spec.name }]
          }
          onChange={(on) => ask({ on })}
        />
        <Picklist label="and" value={use.id} choices={USES} onChange={(as) => ask({ as })} />
      </div>
      <Listening key={`${chosen.ref} ${use.id}`} chosen={chosen} use={use} onUse={(as) => ask({ as })} />
      <p className="listen-private">
        What is heard stays on this page: nothing is recorded, nothing is sent.
      </p>
    </div>
  );
}

/** Any pitch, struck. */
const ANYTHING = Object.freeze({ candidates: ALL_PITCHES, struck: true });

interface ListeningProps {
  readonly chosen: ChosenInstrument;
  readonly use: ListeningUse;
  readonly onUse: (id: string) => void;
}

function Listening({ chosen, use, onUse }: ListeningProps) {
  const instrument = useMemo(() => expectOk(openInstrument(chosen.spec)), [chosen.spec]);
  const options = useMemo(
    () => (use.hears === 'anything' ? ANYTHING : earFor(instrument)),
    [use, instrument],
  );
  const { pass, listen } = useListeners();
  const ear = useEar(options, pass);
  const heard = { ear, struck: options.struck, listen };
  const [example, setExample] = useState<Example | undefined>(undefined);
  const onExample = useCallback((make: Example) => setExample(() => make), []);
  useShortcuts([
    {
      key: ' ',
      label: 'Listen, or stop',
      group: 'Listening',
      run: () => (ear.state === 'listening' ? ear.end() : ear.begin({ kind: 'microphone' })),
    },
    ...USES.map(({ id, label }, i) => ({
      key: String(i + 1),
      label: `Listen and ${label.replaceAll('I ', 'you ').replaceAll('me ', 'you ')}`,
      group: 'Listening',
      run: () => onUse(id),
    })),
  ]);
  return (
    <>
      <EarButtons ear={ear} simulated={example} />
      <Meter ear={ear} />
      <use.View chosen={chosen} instrument={instrument} heard={heard} onExample={onExample} />
    </>
  );
}
