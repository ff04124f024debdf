import { useLayoutEffect, useMemo, useSyncExternalStore } from 'react';
import type { InstrumentSpec } from '@same-song/core';
import { specOf, type InstrumentRecord } from '../api/records.ts';
import { changeDraft, draftOf, dropDraft, noteSaved, savedOf, subscribe, type Saved } from './drafts.ts';

export function savedIn(record: InstrumentRecord): Saved {
  return { spec: specOf(record), version: record.version };
}

/** What is typed of an instrument on top of what is saved. */
export function useDraft(record: InstrumentRecord) {
  const { id } = record;
  const draft = useSyncExternalStore(subscribe, () => draftOf(id));
  const given = useMemo(() => savedIn(record), [record]);
  useLayoutEffect(() => noteSaved(id, given), [id, given]);
  return {
    spec: draft?.spec ?? savedOf(id, given).spec,
    changed: draft !== undefined,
    change: (spec: InstrumentSpec) => changeDraft(id, spec, given),
    drop: () => dropDraft(id),
  };
}
