import { useState } from 'react';
import type { LogEntry } from '@same-song/core/practice';
import { notify } from '../../frame/notice.ts';
import { remember } from '../../frame/undo.ts';
import { keepEntry, sendWaiting } from './outbox.ts';

/** Setting the log right by hand: an entry is told anew with a higher revision, and so is the undoing of that. */
export function useLogEditing(personId: string) {
  const [editing, setEditing] = useState<string | undefined>(undefined);
  const correct = (before: LogEntry, part: Partial<LogEntry>, label: string) => {
    let { revision } = before;
    const tellAnew = (entry: LogEntry) => {
      revision += 1;
      tell({ ...entry, revision });
    };
    const after = { ...before, ...part };
    tellAnew(after);
    remember({
      label,
      undo: () => tellAnew({ ...before, gone: false }),
      redo: () => tellAnew(after),
    });
    notify(`Done: ${label}.`);
  };
  return {
    editing,
    edit: (entry: LogEntry) => setEditing(entry.entry),
    /** @param part what is changed; nothing where it is left as it was */
    done: (entry: LogEntry, part?: Partial<LogEntry>) => {
      setEditing(undefined);
      if (part) correct(entry, part, `setting right ${entry.name}`);
    },
    takeOut: (entry: LogEntry) => correct(entry, { gone: true }, `taking ${entry.name} out of the log`),
    /** Writes down what was played without the stand. */
    add: () => {
      const entry = playedWithoutStand(personId);
      tell(entry);
      setEditing(entry.entry);
    },
  };
}

function tell(entry: LogEntry): void {
  keepEntry(entry, false);
  void sendWaiting();
}

function playedWithoutStand(personId: string): LogEntry {
  return {
    entry: crypto.randomUUID(),
    revision: 1,
    at: new Date().toISOString(),
    name: 'Played without the stand',
    itemId: '',
    personId,
    instrumentId: '',
    minutes: 10,
    tempo: 0,
    rounds: 0,
    clean: 0,
    keys: [],
    ways: {},
    note: '',
  };
}
