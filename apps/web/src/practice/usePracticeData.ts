import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useMemo, useSyncExternalStore } from 'react';
import { currentEntries, type LogEntry } from '@same-song/core/practice';
import { instruments, items, log, people, routines, type LogRecord } from '../api/records.ts';
import { useSettings } from '../api/settings.ts';
import { useOnline } from '../frame/useOnline.ts';
import { entriesSeen, onEntries, sendWaiting } from './log/outbox.ts';
import { scheduleOf, type Schedule } from './schedule.ts';

/** An entry without what the server adds. */
function entryOf({ id: _, version: __, ...entry }: LogRecord): LogEntry {
  return entry;
}

const NOTHING: Schedule = { due: undefined, last: undefined };

/** Sends what waits whenever it can be sent, and shows it then. */
export function useSending(): void {
  const client = useQueryClient();
  const online = useOnline();
  const waiting = useSyncExternalStore(onEntries, entriesSeen);
  useEffect(() => {
    if (!online) return undefined;
    const send = () =>
      void sendWaiting().then((taken) => {
        if (taken > 0) void client.invalidateQueries({ queryKey: ['log'] });
      });
    send();
    const timer = window.setInterval(send, 15_000);
    return () => window.clearInterval(timer);
  }, [online, client, waiting]);
}

/** What a person practises and has played so far, entries that wait for the server included. */
export function usePracticeData() {
  const { settings, change } = useSettings();
  const { data: list, error } = items.useList();
  const { data: written = [], isPending } = log.useList();
  const { data: persons = [] } = people.useList();
  const { data: cabinet = [] } = instruments.useList();
  const { data: kept = [] } = routines.useList();
  const waiting = useSyncExternalStore(onEntries, entriesSeen);
  useSending();
  const who = persons.some(({ id }) => id === settings.person) ? settings.person : '';
  const entries = useMemo(
    () => currentEntries([...written.map(entryOf), ...waiting]).filter(({ personId }) => personId === who),
    [written, waiting, who],
  );
  const schedules = useMemo(() => {
    const of = new Map<string, LogEntry[]>();
    for (const entry of entries) of.set(entry.itemId, [...(of.get(entry.itemId) ?? []), entry]);
    const wanted = new Map((list ?? []).map(({ id, how }) => [id, how.wanted]));
    return new Map([...of].map(([id, own]) => [id, scheduleOf(own, wanted.get(id))]));
  }, [entries, list]);
  const ownItems = useMemo(
    () => (list ?? []).filter(({ personId }) => personId === undefined || personId === who),
    [list, who],
  );
  const scheduleFor = useCallback((id: string) => schedules.get(id) ?? NOTHING, [schedules]);
  return {
    items: list ?? [],
    own: ownItems,
    isPending: list === undefined || isPending,
    error,
    entries,
    persons,
    cabinet,
    routines: kept,
    who,
    scheduleFor,
    person: persons.find(({ id }) => id === who),
    choosePerson: (id: string) => change({ person: id }),
  };
}

export type Practice = ReturnType<typeof usePracticeData>;
