import { useCallback, useEffect, useRef } from 'react';
import { waysTogether, type LogEntry, type WayCount } from '@same-song/core';
import { keepEntry, sendWaiting } from './outbox.ts';

interface Played {
  readonly name: string;
  readonly itemId: string;
  readonly personId: string;
  readonly instrumentId: string;
}

/** What one round adds to an entry. */
export interface RoundTold {
  /** Left out where nobody judged it: then only its time counts. */
  readonly clean?: boolean;
  readonly tempo: number;
  readonly keys: readonly number[];
  readonly ways?: Readonly<Record<string, WayCount>>;
}

/** A pause that is longer was no practice, in ms. */
const LONGEST_PAUSE = 120_000;

/** Writes the log of what is played: an entry from its first round on, told anew after every round, done when it is left. */
export function useLog(played: Played | undefined) {
  const entry = useRef<LogEntry | undefined>(undefined);
  const since = useRef(0);
  const end = useCallback(() => {
    if (!entry.current) return;
    keepEntry(entry.current, false);
    entry.current = undefined;
    void sendWaiting();
  }, []);
  useEffect(() => {
    window.addEventListener('pagehide', end);
    return () => {
      window.removeEventListener('pagehide', end);
      end();
    };
  }, [end, played?.itemId, played?.personId]);
  /** Something began to be played: from here on time counts. */
  const begin = useCallback(() => {
    since.current = Date.now();
  }, []);
  const told = useCallback(
    ({ clean, tempo, keys, ways = {} }: RoundTold) => {
      if (!played) return;
      const now = Date.now();
      const spent = since.current === 0 ? 0 : Math.min(LONGEST_PAUSE, now - since.current);
      since.current = now;
      const before = entry.current;
      const minutes = (before?.minutes ?? 0) + spent / 60_000;
      entry.current = {
        ...played,
        entry: before?.entry ?? crypto.randomUUID(),
        revision: (before?.revision ?? 0) + 1,
        at: before?.at ?? new Date(now - spent).toISOString(),
        minutes: Math.round(minutes * 100) / 100,
        tempo,
        rounds: (before?.rounds ?? 0) + Number(clean !== undefined),
        clean: (before?.clean ?? 0) + Number(clean ?? false),
        keys: [...new Set([...(before?.keys ?? []), ...keys])],
        ways: waysTogether(before?.ways ?? {}, ways),
        note: before?.note ?? '',
      };
      keepEntry(entry.current, true);
    },
    [played],
  );
  return { begin, told, end };
}
