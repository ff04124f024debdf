import { asError } from '@same-song/core';
import type { LogEntry } from '@same-song/core/practice';
import { isAway, isRefused, request } from '../../api/client.ts';
import { notify } from '../../frame/notice.ts';
import { StoredValues } from '../../frame/stored.ts';

/** An entry that no page has touched for so long, in ms, is not being played any more. */
const LEFT_AFTER = 90_000;

interface Waiting {
  readonly entry: LogEntry;
  /** Still being played: it is sent when it is done, or was left. */
  readonly open: boolean;
  readonly touched: number;
  /** Why the server does not take it; it is not sent again by itself. */
  readonly refused?: string;
}

/**
 * Log entries on their way to the server. An entry is in the browser's store from its first round on, so that closing the
 * tab, a server that is away and a crash lose none of it; one that is sent twice is told twice, and counts once. It leaves
 * the store only when the server has taken it; one that the server refuses is set aside, to be seen in the log.
 */
const outbox = new StoredValues<Waiting>('log.', (value) => {
  const waiting = value as Partial<Waiting>;
  return waiting.entry?.entry ? (waiting as Waiting) : undefined;
});

/** Told whenever something is kept or was sent. @returns what ends it */
export const onEntries = outbox.subscribe;

let seen:
  | { readonly of: ReturnType<typeof outbox.entries>; readonly entries: readonly LogEntry[] }
  | undefined;

/** All entries that wait, the same list until there is another. */
export function entriesSeen(): readonly LogEntry[] {
  const of = outbox.entries();
  if (seen?.of !== of) seen = { of, entries: of.map(([, { entry }]) => entry) };
  return seen.entries;
}

/** Keeps an entry as it stands now. @param open it goes on */
export function keepEntry(entry: LogEntry, open: boolean, now = Date.now()): void {
  store({ entry, open, touched: now });
}

function store(waiting: Waiting): void {
  outbox.set(waiting, waiting.entry.entry);
}

/** Entries that the server has refused. */
export function refusedEntries(): readonly { readonly entry: LogEntry; readonly reason: string }[] {
  return waitingEntries().flatMap(({ entry, refused }) =>
    refused === undefined ? [] : [{ entry, reason: refused }],
  );
}

/** Lets an entry that was refused be sent once more. */
export function retryEntry(id: string): Promise<number> {
  const waiting = waitingEntries().find(({ entry }) => entry.entry === id);
  if (waiting) keepEntry(waiting.entry, false);
  return sendWaiting();
}

/** Throws an entry away for good. */
export function forget(id: string): void {
  outbox.set(undefined, id);
}

/** All that waits, in this page and in others of this browser. */
export function waitingEntries(): readonly Waiting[] {
  return outbox.entries().map(([, waiting]) => waiting);
}

let sending: Promise<number> | undefined;

/** Sends what is done or was left. @returns how many the server has taken */
export function sendWaiting(now = Date.now()): Promise<number> {
  sending ??= send(now).finally(() => {
    sending = undefined;
  });
  return sending;
}

async function send(now: number): Promise<number> {
  let taken = 0;
  for (const { entry, open, touched, refused } of waitingEntries()) {
    // Touched in the future: the clock was put back since, and nobody knows when it was.
    const isPlayed = open && now >= touched && now - touched < LEFT_AFTER;
    if (isPlayed || refused !== undefined) continue;
    try {
      await request('POST', '/log', entry, { keepalive: true });
      taken += 1;
    } catch (error) {
      if (isAway(error)) return taken;
      if (isRefused(error)) {
        const reason = asError(error).message;
        notify(`The log cannot take “${entry.name}”: ${reason} It is kept beside the log.`, {
          kind: 'error',
        });
        store({ entry, open: false, touched, refused: reason });
      }
      continue;
    }
    // It may have been told anew meanwhile.
    const after = waitingEntries().find((one) => one.entry.entry === entry.entry);
    if (!after || after.entry.revision === entry.revision) forget(entry.entry);
  }
  return taken;
}
