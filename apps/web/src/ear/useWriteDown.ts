import { useEffect, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { expectOk } from '@same-song/core';
import { writtenDown } from '@same-song/core/ear';
import {
  families,
  FAMILY_IDS,
  openInstrument,
  specFromLayout,
  type FamilyId,
} from '@same-song/core/instruments';
import { STANDARD_A4 } from '@same-song/core/music';
import { instruments } from '../api/records.ts';
import { draftSubject } from '../compute/subject.ts';
import { useRecordActions } from '../frame/useRecordActions.ts';
import { playedEvenly } from './examples.ts';
import { useGathered } from './heard.ts';
import type { UseProps } from './listeningUse.ts';

/** Families that pitches alone make an instrument of. */
export const MADE = FAMILY_IDS.filter((id) => families[id].fromPitches !== undefined);
/** A drum that nobody has described, in semitones. */
const UNKNOWN = [50.06, 57, 60.12, 62, 64.94, 67, 69.08, 72] as const;

/** Pitches that were struck place by place, the instrument they make, and keeping it. */
export function useWriteDown({ chosen, heard, onExample }: UseProps) {
  const navigate = useNavigate();
  const gathering = useGathered(heard);
  const { gathered } = gathering;
  const [family, setFamily] = useState<FamilyId>(
    () => MADE.find((id) => id === chosen.spec.family) ?? MADE[0]!,
  );
  const [rising, setRising] = useState(false);
  const [name, setName] = useState('');
  const { keep, busy } = useRecordActions(instruments);
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
  return { family, setFamily, rising, setRising, name, setName, struck, made, put, busy, gathering };
}
