import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { InstrumentSpec, SavedQuestion, SavedLayout, SavedProgression } from '@same-song/core';
import { request } from './client.ts';

/** What the server adds to every record. */
export interface Kept {
  readonly id: string;
  readonly version: number;
}
export type InstrumentRecord = InstrumentSpec & Kept;
export type QuestionRecord = SavedQuestion & Kept;
export type ProgressionRecord = SavedProgression & Kept;
export type LayoutRecord = SavedLayout & Kept;

/** Kinds of records in the order in which they may be put away: what hangs on others first. */
export const RECORD_KINDS = ['progressions', 'layouts', 'questions', 'instruments'] as const;
export type RecordPath = (typeof RECORD_KINDS)[number];

export type Which = 'kept' | 'binned';

/** The version that stands of a record that may have been changed since. */
export async function versionNow(path: RecordPath, id: string): Promise<number> {
  const kept = await request<Kept[]>('GET', `/${path}`);
  const found = kept.find((record) => record.id === id);
  if (!found) throw new Error('This is not there any more.');
  return found.version;
}

/** One kind of record: its queries and the ways to change it, each renewing what is on screen. */
function recordKind<Content, Record extends Content & Kept>(path: RecordPath) {
  const useList = (which: Which = 'kept') =>
    useQuery({ queryKey: [path, which], queryFn: () => request<Record[]>('GET', `/${path}?which=${which}`) });

  const useChange = <Input, Output>(change: (input: Input) => Promise<Output>) => {
    const client = useQueryClient();
    return useMutation({
      mutationFn: change,
      onSettled: () =>
        Promise.all(RECORD_KINDS.map((kind) => client.invalidateQueries({ queryKey: [kind] }))),
    });
  };

  return {
    path,
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

export type RecordKind<Content, Record extends Content & Kept> = ReturnType<
  typeof recordKind<Content, Record>
>;

export const instruments = recordKind<InstrumentSpec, InstrumentRecord>('instruments');
export const questions = recordKind<SavedQuestion, QuestionRecord>('questions');
export const layouts = recordKind<SavedLayout, LayoutRecord>('layouts');
export const progressions = recordKind<SavedProgression, ProgressionRecord>('progressions');

/** The content of an instrument record, without what the server adds. */
export function specOf(record: InstrumentRecord): InstrumentSpec {
  const { family, name, layout, capability, a4, notes, measured, choices } = record;
  return { family, name, layout, capability, a4, notes, measured, choices };
}
