import { useMemo, useSyncExternalStore } from 'react';
import type { LogEntry } from '@same-song/core/practice';
import { LinkButton } from '../../controls/LinkButton.tsx';
import { remember } from '../../frame/undo.ts';
import { entriesSeen, forget, keepEntry, onEntries, refusedEntries, retryEntry } from './outbox.ts';

/** Entries that the server did not take: they stay in this browser until they are sent again or thrown away. */
export function RefusedEntries() {
  const waiting = useSyncExternalStore(onEntries, entriesSeen);
  // Read anew whenever something of the store has changed.
  const refused = useMemo(() => (waiting.length > 0 ? refusedEntries() : []), [waiting]);
  if (refused.length === 0) return null;
  const throwAway = (entry: LogEntry) => {
    forget(entry.entry);
    remember({
      label: `throwing away ${entry.name}`,
      undo: () => keepEntry(entry, false),
      redo: () => forget(entry.entry),
    });
  };
  return (
    <section className="log-refused" role="alert">
      <h2>Not in the log yet</h2>
      <ul className="plain-list">
        {refused.map(({ entry, reason }) => (
          <li key={entry.entry}>
            <b>{entry.name}</b>, {Math.round(entry.minutes)} min: {reason}{' '}
            <LinkButton label={`send ${entry.name} again`} onClick={() => void retryEntry(entry.entry)}>
              send it again
            </LinkButton>
            <LinkButton label={`throw ${entry.name} away`} onClick={() => throwAway(entry)}>
              throw it away
            </LinkButton>
          </li>
        ))}
      </ul>
    </section>
  );
}
