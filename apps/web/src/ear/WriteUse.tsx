import Button from '@mui/material/Button';
import { useEffect, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import {
  counted,
  expectOk,
  families,
  FAMILY_IDS,
  NAME_LIMIT,
  openInstrument,
  pitchText,
  specFromLayout,
  STANDARD_A4,
  writtenDown,
  type FamilyId,
  type StruckPitch,
} from '@same-song/core';
import { instruments } from '../api/records.ts';
import { draftSubject } from '../compute/subject.ts';
import { Check } from '../controls/Check.tsx';
import { Picklist } from '../controls/Picklist.tsx';
import { useKeeping } from '../frame/useKeeping.ts';
import { playedEvenly } from './examples.ts';
import { ForgetNotes } from './ForgetNotes.tsx';
import { useGathered } from './heard.ts';
import type { UseProps } from './uses.ts';
import { WayPicture } from './WayPicture.tsx';

/** Families that pitches alone make an instrument of. */
const MADE = FAMILY_IDS.filter((id) => families[id].fromPitches !== undefined);
/** A drum that nobody has described, in semitones. */
const UNKNOWN = [50.06, 57, 60.12, 62, 64.94, 67, 69.08, 72] as const;

/** An instrument that nobody has described is struck place by place, and its layout written down. */
export function WriteUse({ chosen, heard, onExample }: UseProps) {
  const navigate = useNavigate();
  const gathering = useGathered(heard);
  const { gathered } = gathering;
  const [family, setFamily] = useState<FamilyId>(
    () => MADE.find((id) => id === chosen.spec.family) ?? MADE[0]!,
  );
  const [rising, setRising] = useState(false);
  const [name, setName] = useState('');
  const { keep, busy } = useKeeping(instruments);
  useEffect(() => onExample(playedEvenly(UNKNOWN, families[MADE[0]!].timbre)), [onExample]);
  const struck = useMemo(() => {
    const written = writtenDown(gathered, STANDARD_A4);
    return rising ? [...written].sort((a, b) => a.pitch - b.pitch) : written;
  }, [gathered, rising]);
  const made = useMemo(() => {
    const layout = families[family].fromPitches!(struck.map(({ pitch, cents }) => ({ pitch, cents })));
    if (!layout.ok) return layout;
    const spec = specFromLayout(family, layout.value);
    const subject = { ...draftSubject(spec), ref: '', record: undefined, todo: [] };
    return { ok: true as const, subject, instrument: expectOk(openInstrument(spec)) };
  }, [family, struck]);
  const put = () => {
    if (!made.ok) return;
    const { spec } = made.subject;
    keep(
      { ...spec, name: name.trim() || spec.name },
      {
        label: (record) => `adding ${record.name}`,
        notice: (record) => `${record.name} is in the cabinet.`,
        onKept: (record) => void navigate(`/cabinet/${record.id}`),
        onUndone: () => navigate('/cabinet'),
      },
    );
  };
  return (
    <>
      <div className="practice-tools">
        <Picklist
          label="It is a"
          value={family}
          choices={MADE.map((id) => ({ id, label: families[id].label }))}
          onChange={setFamily}
        />
        <Check label="the lowest first, not as struck" checked={rising} onChange={setRising} />
      </div>
      {struck.length === 0 ? (
        <p className="listen-hint">
          Strike every place once or twice, the one in the middle first, then round from the player, and let
          each ring a moment.
        </p>
      ) : (
        <Struck struck={struck} />
      )}
      {made.ok && (
        <WayPicture
          chosen={made.subject}
          instrument={made.instrument}
          label="What was written down"
          selected={undefined}
        />
      )}
      {!made.ok && struck.length > 0 && <p role="status">{made.problems[0]!.message}</p>}
      <p className="practice-tools">
        <label className="labelled">
          Call it
          <input
            type="text"
            size={28}
            maxLength={NAME_LIMIT}
            value={name}
            placeholder={made.ok ? made.subject.spec.name : ''}
            onChange={(event) => setName(event.target.value)}
          />
        </label>
        <Button variant="contained" disabled={!made.ok || busy} onClick={put}>
          Put it into the cabinet
        </Button>
        <ForgetNotes gathering={gathering} all="Begin again" />
      </p>
    </>
  );
}

function Struck({ struck }: { readonly struck: readonly StruckPitch[] }) {
  return (
    <ol className="struck" aria-live="polite">
      {struck.map(({ pitch, cents, times }) => (
        <li key={`${pitch} ${cents}`}>
          <b>{pitchText(pitch)}</b>
          <span>
            {cents === 0 ? 'in tune' : `${counted(Math.abs(cents), 'cent')} ${cents > 0 ? 'sharp' : 'flat'}`}
            {times > 1 && `, ${times}×`}
          </span>
        </li>
      ))}
    </ol>
  );
}
