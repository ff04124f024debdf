import { useMemo, useState } from 'react';
import { measuringOf, middles, type Measurement } from '@same-song/core/ear';
import { instruments, measurings, specOf } from '../api/records.ts';
import { useRecordActions } from '../frame/useRecordActions.ts';
import type { Gathering } from './heard.ts';
import type { UseProps } from './listeningUse.ts';

/** What was measured of an instrument now and earlier, keeping it, and taking its middle into the map. */
export function useMeasurings(
  { chosen, instrument }: Pick<UseProps, 'chosen' | 'instrument'>,
  measurements: readonly Measurement[],
  gathering: Gathering,
) {
  const { record } = chosen;
  const { data: all = [] } = measurings.useList('kept', record !== undefined);
  const kept = useMemo(
    () =>
      all.filter(({ instrumentId }) => instrumentId === record?.id).sort((a, b) => b.at.localeCompare(a.at)),
    [all, record],
  );
  const now = useMemo(
    () => measuringOf(instrument, measurements, new Date().toISOString()),
    [instrument, measurements],
  );
  const [without, setWithout] = useState<ReadonlySet<string>>(new Set());
  const keeping = useRecordActions(measurings);
  const changing = useRecordActions(instruments);
  const measured = useMemo(
    () => middles(instrument, measurements.length > 0 ? [now, ...kept] : kept),
    [instrument, measurements, now, kept],
  );
  const taken = Object.entries(measured).filter(([id]) => !without.has(id));
  const keep = () => {
    if (!record) return;
    keeping.keep(
      { name: record.name, instrumentId: record.id, ...now },
      {
        label: () => `measuring ${record.name}`,
        notice: () => 'This measuring is kept.',
        onKept: gathering.clear,
      },
    );
  };
  const take = () => {
    if (!record) return;
    const before = specOf(record);
    const after = { ...before, measured: { ...before.measured, ...Object.fromEntries(taken) } };
    changing.change(record, {
      after,
      label: `what was measured of ${record.name}`,
      notice: 'The cents are in its map now.',
    });
  };
  const tick = (id: string) => {
    const next = new Set(without);
    if (!next.delete(id)) next.add(id);
    setWithout(next);
  };
  return {
    record,
    kept,
    measured,
    without,
    /** Ways that are taken into the map. */
    taken: taken.length,
    keep,
    canKeep: measurements.length > 0 && !keeping.busy,
    take,
    canTake: taken.length > 0 && !changing.busy,
    tick,
    moveToBin: keeping.moveToBin,
  };
}
