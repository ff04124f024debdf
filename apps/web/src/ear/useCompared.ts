import { useEffect, useMemo, useState } from 'react';
import { measure, measuringOf } from '@same-song/core/ear';
import type { InstrumentSpec } from '@same-song/core/instruments';
import type { AlternateRow } from '@same-song/core/route';
import { instruments, specOf } from '../api/records.ts';
import { dialectOf, useSettings } from '../api/settings.ts';
import { useAlternates } from '../compute/compute.ts';
import { useRecordActions } from '../frame/useRecordActions.ts';
import { playedWays } from './examples.ts';
import { useGathered } from './heard.ts';
import type { UseProps } from './listeningUse.ts';

/** The ways of one note, which of them is said to be played, and the cents that were heard of each. */
export function useCompared({ chosen, instrument, heard, onExample }: UseProps) {
  const { settings } = useSettings();
  const dialect = dialectOf(settings, instrument.family);
  /** The way that is played now; nobody can tell it by its sound. */
  const [playing, setPlaying] = useState<string | undefined>(undefined);
  const { gathered, clear } = useGathered(heard, playing);
  const measurements = useMemo(
    () =>
      measure(
        instrument,
        gathered.filter(({ wayId }) => wayId !== undefined),
      ),
    [instrument, gathered],
  );
  /** The instrument as it would be with what was heard. */
  const spec = useMemo((): InstrumentSpec => {
    const { ways } = measuringOf(instrument, measurements, '');
    const now = Object.fromEntries(
      Object.entries(ways).map(([id, { pitch, cents }]) => [id, { pitch, cents: Math.round(cents) }]),
    );
    return { ...chosen.spec, measured: { ...chosen.spec.measured, ...now } };
  }, [instrument, measurements, chosen.spec]);
  const { data: rows } = useAlternates(spec, dialect, 2);
  const [pitch, setPitch] = useState<string | undefined>(undefined);
  const row = rows?.find((one) => String(one.pitch) === pitch) ?? fullest(rows ?? []);
  const ids = useMemo(() => row?.candidates.map(({ wayId }) => wayId) ?? [], [row]);
  const now = ids.find((id) => id === playing) ?? ids[0];
  useEffect(() => setPlaying(now), [now]);
  useEffect(() => {
    const way = instrument.ways.find(({ id }) => id === now);
    onExample(playedWays(instrument, way ? [way, way, way] : []));
  }, [onExample, instrument, now]);
  const { change, busy } = useRecordActions(instruments);
  const { record } = chosen;
  const take = (choices: InstrumentSpec['choices'], notice: string) => {
    if (!record) return;
    const before = specOf(record);
    change(record, {
      after: { ...before, measured: spec.measured, choices },
      label: `the ways of ${row!.note} on ${record.name}`,
      notice,
      onChanged: clear,
    });
  };
  const step = (by: number) => {
    const at = ids.indexOf(now ?? '');
    if (ids.length > 0) setPlaying(ids[(at + by + ids.length) % ids.length]);
  };
  const { choices } = chosen.spec;
  return {
    rows,
    row,
    setPitch,
    /** Id of the way that is played. */
    now,
    setPlaying,
    step,
    timesOf: (wayId: string) => measurements.find(({ way }) => way.id === wayId)?.count ?? 0,
    isMeasured: measurements.length > 0,
    /** It can be changed: it lies in the cabinet, and nothing is under way. */
    canChange: record !== undefined && !busy,
    clear,
    takeCents: () => take(choices, 'The cents are in its map now.'),
    /** Makes one of the ways the player's choice, or leaves it to the line again. */
    flipChoice: ({ wayId, words, chosen: isChosen }: AlternateRow['candidates'][number]) => {
      const others = choices.filter((id) => !ids.includes(id));
      take(
        isChosen ? others : [...others, wayId],
        isChosen ? 'The line decides again.' : `${words} is your choice now.`,
      );
    },
  };
}

/** Ways that are worth comparing before all others. */
const SEVERAL = 3;

/** The lowest pitch with several ways, where it is played most easily; else the one with most. */
function fullest(rows: readonly AlternateRow[]): AlternateRow | undefined {
  return (
    rows.find(({ candidates }) => candidates.length >= SEVERAL) ??
    [...rows].sort((a, b) => b.candidates.length - a.candidates.length)[0]
  );
}
