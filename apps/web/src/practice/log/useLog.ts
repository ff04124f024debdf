import { useCallback, useEffect, useRef } from 'react';
import { waysTogether, type WayCount } from '@same-song/core/ear';
import { countTime, NO_TIME_SPENT, type LogEntry } from '@same-song/core/practice';
import { keepEntry, sendWaiting } from './outbox.ts';

interface Played {
  readonly name: string;
  readonly itemId: string;
  readonly personId: string;
  readonly instrumentId: string;
}

/** What one round adds to an entry. */
export interface RoundResult {
  /** Left out where nobody judged it: then only its time counts. */
  readonly clean?: boolean;
  readonly tempo: number;
  readonly keys: readonly number[];
  readonly ways?: Readonly<Record<string, WayCount>>;
}

/** What is played while time runs. */
export type RoundBegun = Pick<RoundResult, 'tempo' | 'keys'>;

/** What is left sooner was a false start, in ms: it makes no entry of its own. */
const FALSE_START = 5_000;

/**
 * Writes the log of what is played: an entry from its first round on, written anew after every round, also after one that
 * is stopped or left, and closed when the item is left. Time is taken from a clock that only goes forward.
 */
export function useLog(played: Played | undefined) {
  const entry = useRef<LogEntry | undefined>(undefined);
  const time = useRef(NO_TIME_SPENT);
  const begun = useRef<RoundBegun | undefined>(undefined);
  const write = useCallback(
    ({ clean, tempo, keys, ways = {} }: RoundResult) => {
      const { ms } = time.current;
      const before = entry.current;
      if (!played || (!before && clean === undefined && ms < FALSE_START)) return;
      entry.current = {
        ...played,
        entry: before?.entry ?? crypto.randomUUID(),
        revision: (before?.revision ?? 0) + 1,
        at: before?.at ?? new Date(Date.now() - ms).toISOString(),
        minutes: Math.round(ms / 600) / 100,
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
  /** Something sounds from here on, so that all time counts. */
  const begin = useCallback((round: RoundBegun) => {
    time.current = countTime(time.current, performance.now(), true);
    begun.current = round;
  }, []);
  /** Nothing sounds any more, ended or stopped: what follows is a pause. */
  const rest = useCallback(() => {
    const sounded = time.current.sounding;
    time.current = countTime(time.current, performance.now(), false);
    if (sounded && begun.current) write(begun.current);
  }, [write]);
  const told = useCallback(
    (round: RoundResult) => {
      time.current = countTime(time.current, performance.now());
      write(round);
    },
    [write],
  );
  const end = useCallback(() => {
    rest();
    if (entry.current) {
      keepEntry(entry.current, false);
      void sendWaiting();
    }
    entry.current = undefined;
    begun.current = undefined;
    time.current = NO_TIME_SPENT;
  }, [rest]);
  useEffect(() => {
    window.addEventListener('pagehide', end);
    return () => {
      window.removeEventListener('pagehide', end);
      end();
    };
  }, [end]);
  const minutes = useCallback(() => time.current.ms / 60_000, []);
  return { begin, rest, told, end, minutes };
}
