import { useLayoutEffect, useMemo } from 'react';
import type { InstrumentSpec } from '@same-song/core/instruments';
import { specOf, type InstrumentRecord } from '../api/records.ts';
import { useStored } from '../frame/stored.ts';
import { changeDraft, drafts, dropDraft, noteSaved, savedOf, type Saved } from './drafts.ts';

export function savedIn(record: InstrumentRecord): Saved {
  return { spec: specOf(record), version: record.version };
}

/** What is typed of an instrument on top of what is saved. */
export function useDraft(record: InstrumentRecord) {
  const { id } = record;
  const draft = useStored(drafts, id);
  const given = useMemo(() => savedIn(record), [record]);
  useLayoutEffect(() => noteSaved(id, given), [id, given]);
  return {
    spec: draft?.spec ?? savedOf(id, given).spec,
    changed: draft !== undefined,
    change: (spec: InstrumentSpec) => changeDraft(id, spec, given),
    drop: () => dropDraft(id),
  };
}
