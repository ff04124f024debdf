import { useMemo, useRef } from 'react';
import { openInstrument, type Instrument, type InstrumentSpec } from '@same-song/core/instruments';
import type { InstrumentRecord } from '../api/records.ts';
import { notify } from '../frame/notice.ts';
import { useShortcuts } from '../frame/shortcuts.ts';
import { remember } from '../frame/undo.ts';
import { useDraft } from './useDraft.ts';
import { useSaving } from './useSaving.ts';

/** The draft of an instrument, what is wrong with it, and saving it. */
export function useInstrumentEditor(record: InstrumentRecord, isBinned: boolean) {
  const draft = useDraft(record);
  const { spec } = draft;
  const { save, busy, clash, problems: refused } = useSaving(record);
  const checked = useMemo(() => openInstrument(spec), [spec]);
  /** The last draft that made an instrument: it is drawn while something is wrong. */
  const lastGood = useRef<Instrument | undefined>(undefined);
  const good = checked.ok ? checked.value : lastGood.current;
  if (checked.ok) lastGood.current = checked.value;
  const problems = checked.ok ? refused : checked.problems;
  const keepIt = () => {
    const typed = draft.changed ? ' What you typed is still here.' : '';
    if (isBinned) notify(`It lies in the bin: put it back first.${typed}`);
    else save();
  };
  useShortcuts([{ key: 's', ctrl: true, inFields: true, label: 'Save', group: 'Cabinet', run: keepIt }]);
  return {
    draft,
    spec,
    busy,
    clash,
    good,
    /** What is drawn is not what is typed. */
    isStale: !checked.ok,
    problems,
    problemAt: (field: string) => problems.find((problem) => problem.field === field)?.message,
    /** A change that is one step to undo, as against typing, which the browser undoes letter by letter. */
    step: (label: string, next: InstrumentSpec) => {
      draft.change(next);
      remember({ label, undo: () => draft.change(spec), redo: () => draft.change(next) });
    },
    save: keepIt,
  };
}

export type InstrumentEditorState = ReturnType<typeof useInstrumentEditor>;
