import { useRef, useState } from 'react';
import type { Problem } from '@same-song/core';
import { FIELDS_OF_ENTRIES, openInstrument, type InstrumentSpec } from '@same-song/core/instruments';
import { mergeFields } from '@same-song/core/records';
import { currentIn, RequestError } from '../api/client.ts';
import { instruments, type InstrumentRecord } from '../api/records.ts';
import { notify } from '../frame/notice.ts';
import { remember } from '../frame/undo.ts';
import { useRecordActions } from '../frame/useRecordActions.ts';
import { changeDraft, draftOf, putOnTop, rebaseDraft, type Saved } from './drafts.ts';
import { savedIn } from './useDraft.ts';

/** What was changed here and elsewhere, and has to be chosen between. */
export interface Clash {
  readonly mine: InstrumentSpec;
  readonly theirs: InstrumentSpec;
  readonly fields: readonly (keyof InstrumentSpec)[];
  /** Saves it with those fields as they are there, all others put together. */
  choose(theirs: readonly (keyof InstrumentSpec)[]): void;
}

/**
 * Saves the draft of an instrument. What is typed while a save is under way stays and can be saved again; what was
 * changed elsewhere meanwhile is put together field by field, and only what both changed is asked about.
 */
export function useSaving({ id }: InstrumentRecord) {
  const { change, error } = useRecordActions(instruments);
  const [clash, setClash] = useState<Clash | undefined>(undefined);
  const [busy, setBusy] = useState(false);
  const underWay = useRef(false);
  const again = useRef(false);
  const begun = (is: boolean) => {
    underWay.current = is;
    setBusy(is);
  };

  const save = (told = 'is saved.') => {
    again.current = underWay.current;
    const draft = draftOf(id);
    if (underWay.current || !draft) return;
    const checked = openInstrument(draft.spec);
    if (!checked.ok) return notify(checked.problems[0]!.message, { kind: 'error' });
    const after = checked.value.spec;
    begun(true);
    change(
      { id, version: draft.base.version },
      {
        after,
        label: `saving ${after.name}`,
        notice: `${after.name} ${told}`,
        onChanged: (record) => {
          rebaseDraft(id, savedIn(record), draft.spec);
          begun(false);
          setClash(undefined);
          if (again.current) save();
        },
        onFailed: (error) => {
          begun(false);
          const current = currentIn<InstrumentRecord>(error);
          if (current) meet(savedIn(current));
          else notify(error.message, { kind: 'error' });
        },
      },
    );
  };

  /** The draft meets what somebody else saved. */
  const meet = (theirs: Saved) => {
    const draft = draftOf(id);
    if (!draft) return;
    const { spec: mine, base } = draft;
    const { merged, clashes } = mergeFields(base.spec, mine, theirs.spec, FIELDS_OF_ENTRIES);
    const saveAs = (spec: InstrumentSpec) => {
      putOnTop(id, spec, theirs);
      remember({
        label: 'putting both texts together',
        undo: () => changeDraft(id, mine, theirs),
        redo: () => changeDraft(id, spec, theirs),
      });
      setClash(undefined);
      if (draftOf(id)) save('is saved, with what was changed elsewhere.');
      else notify('It is now as it was changed elsewhere; undo brings your text back.');
    };
    if (clashes.length === 0) return saveAs(merged);
    const choose = (fields: readonly (keyof InstrumentSpec)[]) =>
      saveAs({ ...merged, ...Object.fromEntries(fields.map((field) => [field, theirs.spec[field]])) });
    setClash({ mine, theirs: theirs.spec, fields: clashes, choose });
  };

  const problems: readonly Problem[] = error instanceof RequestError ? error.body.problems : [];
  return { save, busy, clash, problems };
}
