import { useCallback, useState } from 'react';
import type { InstrumentSpec } from '@same-song/core';
import { specOf, type InstrumentRecord } from '../api/records.ts';

/** What the user has typed and not yet saved, with the version it was begun on. */
export interface Draft {
  readonly spec: InstrumentSpec;
  readonly version: number;
}

const keyOf = (id: string) => `same-song.draft.${id}`;

function read(id: string): Draft | undefined {
  try {
    const stored: unknown = JSON.parse(sessionStorage.getItem(keyOf(id)) ?? 'null');
    return isDraft(stored) ? stored : undefined;
  } catch {
    return undefined;
  }
}

function isDraft(value: unknown): value is Draft {
  return typeof value === 'object' && value !== null && 'spec' in value && 'version' in value;
}

function write(id: string, draft: Draft | undefined): void {
  try {
    if (draft) sessionStorage.setItem(keyOf(id), JSON.stringify(draft));
    else sessionStorage.removeItem(keyOf(id));
  } catch {
    // A browser without storage keeps the draft as long as the page is open.
  }
}

/** A draft that outlives leaving the page, loading it again and a server that is away. */
export function useDraft(record: InstrumentRecord) {
  const [draft, setDraft] = useState<Draft | undefined>(() => read(record.id));
  const set = useCallback(
    (next: Draft | undefined) => {
      write(record.id, next);
      setDraft(next);
    },
    [record.id],
  );
  const saved = specOf(record);
  const change = useCallback(
    (spec: InstrumentSpec) => {
      const isSaved = JSON.stringify(spec) === JSON.stringify(specOf(record));
      set(isSaved ? undefined : { spec, version: draft?.version ?? record.version });
    },
    [draft, record, set],
  );
  return {
    spec: draft?.spec ?? saved,
    saved,
    changed: draft !== undefined,
    version: draft?.version ?? record.version,
    change,
    drop: () => set(undefined),
  };
}
