import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';
import { DEFAULT_SETTINGS, type Family, type Settings } from '@same-song/core';
import { request, RequestError } from './client.ts';

interface SettingsRecord {
  readonly value: Settings;
  readonly version: number;
}

const KEY = ['settings'];

/** Settings show at once and are saved behind; a stale save is made again on what stands on the server. */
export function useSettings() {
  const client = useQueryClient();
  const { data } = useQuery({ queryKey: KEY, queryFn: () => request<SettingsRecord>('GET', '/settings') });
  const { mutate } = useMutation({
    scope: { id: 'settings' },
    mutationFn: async (change: Partial<Settings>) => {
      const save = (base: SettingsRecord) =>
        request<SettingsRecord>('PUT', '/settings', {
          value: { ...base.value, ...change },
          version: base.version,
        });
      try {
        return await save(await request<SettingsRecord>('GET', '/settings'));
      } catch (error) {
        if (!(error instanceof RequestError) || error.body.code !== 'stale') throw error;
        return save(error.body.current as SettingsRecord);
      }
    },
    onSuccess: (record) => client.setQueryData(KEY, record),
  });
  const change = useCallback(
    (part: Partial<Settings>) => {
      const current = client.getQueryData<SettingsRecord>(KEY) ?? { value: DEFAULT_SETTINGS, version: 0 };
      client.setQueryData(KEY, { ...current, value: { ...current.value, ...part } });
      mutate(part);
    },
    [client, mutate],
  );
  return { settings: data?.value ?? DEFAULT_SETTINGS, loaded: data !== undefined, change };
}

/** The tab dialect in which the user writes a family. */
export function dialectOf(settings: Settings, family: Family): string {
  return settings.dialects[family.id] ?? family.dialects[0]!.id;
}
