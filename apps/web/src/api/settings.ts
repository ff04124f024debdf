import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';
import type { Family } from '@same-song/core/instruments';
import { DEFAULT_SETTINGS, type Settings, type SettingsRecord } from '@same-song/core/records';
import { StoredValues } from '../frame/stored.ts';
import { currentIn, isRefused, request } from './client.ts';

const KEY = ['settings'];
/** How long until a server that did not answer is tried again, in ms. */
const AGAIN_MS = 2_000;

/** What waits for the server outlives the page, which may be left or loaded anew before the server has it. */
const unsent = new StoredValues<Partial<Settings>>('settings', (value) =>
  typeof value === 'object' ? (value ?? undefined) : undefined,
);

/** What was changed on this device and is not kept by the server yet, also by a page that is gone. */
function waiting(): Partial<Settings> {
  return unsent.get() ?? {};
}

function wait(next: Partial<Settings>): void {
  unsent.set(Object.keys(next).length > 0 ? next : undefined);
}

/** Settings as they stand on the server, with what is still to be sent to it. */
function withWaiting({ value, version }: SettingsRecord): SettingsRecord {
  return { value: { ...value, ...waiting() }, version };
}

/** Sends what waits, on top of what was last seen or of what is said to stand there. */
async function send(seen: SettingsRecord): Promise<SettingsRecord> {
  const sent = waiting();
  // A change before this one took all along.
  if (Object.keys(sent).length === 0) return seen;
  const put = ({ value, version }: SettingsRecord): Promise<SettingsRecord> => {
    const body = { value: { ...value, ...sent }, version };
    return request<SettingsRecord>('PUT', '/settings', body, OUTLIVES_THE_PAGE).catch((error: unknown) => {
      const current = currentIn<SettingsRecord>(error);
      if (!current) throw error;
      // Somebody else was faster, again and again if many are at it.
      return put(current);
    });
  };
  const kept = await put(seen);
  const isStillWaiting = ([field, value]: [string, unknown]) => sent[field as keyof Settings] !== value;
  wait(Object.fromEntries(Object.entries(waiting()).filter(isStillWaiting)));
  return kept;
}

/** Settings of the server, once it has what the page before left waiting. */
async function open(): Promise<SettingsRecord> {
  const standing = await request<SettingsRecord>('GET', '/settings');
  return send(standing).catch((error: unknown) => {
    // What it will never take must not stand in the way of what it takes.
    if (isRefused(error)) wait({});
    return standing;
  });
}

const OUTLIVES_THE_PAGE = { keepalive: true };

/** Settings show at once and are saved behind; while the server is away they wait. */
export function useSettings() {
  const client = useQueryClient();
  const { data } = useQuery({
    queryKey: KEY,
    queryFn: async () => withWaiting(await open()),
  });
  const { mutate } = useMutation({
    scope: { id: 'settings' },
    mutationFn: () => send(client.getQueryData<SettingsRecord>(KEY) ?? NOTHING_SEEN),
    onSuccess: (record) => client.setQueryData(KEY, withWaiting(record)),
    retry: (_, error) => !isRefused(error),
    retryDelay: AGAIN_MS,
  });
  const change = useCallback(
    (part: Partial<Settings>) => {
      wait({ ...waiting(), ...part });
      client.setQueryData(KEY, withWaiting(client.getQueryData<SettingsRecord>(KEY) ?? NOTHING_SEEN));
      mutate();
    },
    [client, mutate],
  );
  return { settings: data?.value ?? DEFAULT_SETTINGS, loaded: data !== undefined, change };
}

/** A version that never stands, so that the server answers with what does. */
const NOTHING_SEEN: SettingsRecord = { value: DEFAULT_SETTINGS, version: 0 };

/** The tab dialect in which the user writes a family. */
export function dialectOf(settings: Settings, family: Family): string {
  return settings.dialects[family.id] ?? family.dialects[0]!.id;
}
