import type { LogEntry } from '@same-song/core';
import { isRefused, request } from '../api/client.ts';
import { notify } from '../frame/notice.ts';

/**
 * Log entries on their way to the server. An entry is in the browser's store from its first round on, so that closing the
 * tab, a server that is away and a crash lose none of it; one that is sent twice is told twice, and counts once.
 */
const PREFIX = 'same-song.log.';
/** An entry that no page has touched for so long, in ms, is not being played any more. */
const LEFT_AFTER = 90_000;

interface Waiting {
  readonly entry: LogEntry;
  /** Still being played: it is sent when it is done, or was left. */
  readonly open: boolean;
  readonly touched: number;
}

/** Where nothing may be kept, entries wait as long as the page is open. */
const held = new Map<string, Waiting>();
const listeners = new Set<() => void>();
let seen: readonly LogEntry[] | undefined;

function changed(): void {
  seen = undefined;
  listeners.forEach((listener) => listener());
}

/** Told whenever something is kept or was sent. @returns what ends it */
export function onEntries(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** All entries that wait, the same list until there is another. */
export function entriesSeen(): readonly LogEntry[] {
  seen ??= waitingEntries().map(({ entry }) => entry);
  return seen;
}

/** Keeps an entry as it stands now. @param open it goes on */
export function keepEntry(entry: LogEntry, open: boolean, now = Date.now()): void {
  const waiting: Waiting = { entry, open, touched: now };
  held.set(entry.entry, waiting);
  try {
    localStorage.setItem(PREFIX + entry.entry, JSON.stringify(waiting));
  } catch {
    // Held in memory then.
  }
  changed();
}

function forget(id: string): void {
  held.delete(id);
  try {
    localStorage.removeItem(PREFIX + id);
  } catch {
    // There was none.
  }
  changed();
}

/** All that waits, in this page and in others of this browser. */
export function waitingEntries(): readonly Waiting[] {
  const all = new Map(held);
  try {
    for (let i = 0; i < localStorage.length; i += 1) {
      const key = localStorage.key(i)!;
      if (!key.startsWith(PREFIX)) continue;
      const stored = JSON.parse(localStorage.getItem(key) ?? 'null') as Waiting | null;
      if (stored?.entry?.entry) all.set(stored.entry.entry, stored);
    }
  } catch {
    // What is held is all there is.
  }
  return [...all.values()];
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
  for (const { entry, open, touched } of waitingEntries()) {
    if (open && now - touched < LEFT_AFTER) continue;
    try {
      await request('POST', '/log', entry, { keepalive: true });
      taken += 1;
    } catch (error) {
      // What the server will never take must not keep others back.
      if (!isRefused(error)) return taken;
      notify(`The log cannot take “${entry.name}”: ${(error as Error).message}`, { kind: 'error' });
    }
    // It may have been told anew meanwhile.
    const after = waitingEntries().find((one) => one.entry.entry === entry.entry);
    if (!after || after.entry.revision === entry.revision) forget(entry.entry);
  }
  return taken;
}
