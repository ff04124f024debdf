import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { InstrumentSpec, SavedAsk, SavedProgression } from '@same-song/core';
import { request } from './client.ts';

/** What the server adds to every record. */
interface Kept {
  readonly id: string;
  readonly version: number;
}
export type InstrumentRecord = InstrumentSpec & Kept;
export type AskRecord = SavedAsk & Kept;
export type ProgressionRecord = SavedProgression & Kept;

export type Which = 'kept' | 'binned';

/** One kind of record: its queries and the ways to change it, each renewing what is on screen. */
function recordKind<Content, Record extends Content & Kept>(path: 'instruments' | 'asks' | 'progressions') {
  const useList = (which: Which = 'kept') =>
    useQuery({ queryKey: [path, which], queryFn: () => request<Record[]>('GET', `/${path}?which=${which}`) });

  const useChange = <Input, Output>(change: (input: Input) => Promise<Output>) => {
    const client = useQueryClient();
    return useMutation({
      mutationFn: change,
      onSettled: () =>
        Promise.all([
          client.invalidateQueries({ queryKey: ['instruments'] }),
          client.invalidateQueries({ queryKey: ['asks'] }),
          client.invalidateQueries({ queryKey: ['progressions'] }),
        ]),
    });
  };

  return {
    useList,
    useAdd: () => useChange((content: Content) => request<Record>('POST', `/${path}`, content)),
    useSave: () =>
      useChange(({ id, version, content }: Kept & { content: Content }) =>
        request<Record>('PUT', `/${path}/${id}`, { ...content, version }),
      ),
    useBin: () =>
      useChange(({ id, version }: Kept) => request<void>('DELETE', `/${path}/${id}?version=${version}`)),
    useRestore: () => useChange((id: string) => request<Record>('POST', `/${path}/${id}/restore`)),
  };
}

export const instruments = recordKind<InstrumentSpec, InstrumentRecord>('instruments');
export const asks = recordKind<SavedAsk, AskRecord>('asks');
export const progressions = recordKind<SavedProgression, ProgressionRecord>('progressions');

/** The content of an instrument record, without what the server adds. */
export function specOf(record: InstrumentRecord): InstrumentSpec {
  const { family, name, layout, capability, a4, notes, measured, choices } = record;
  return { family, name, layout, capability, a4, notes, measured, choices };
}
