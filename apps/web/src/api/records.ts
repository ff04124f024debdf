import { useMutation, useQuery, useQueryClient, type QueryClient } from '@tanstack/react-query';
import type { InstrumentSpec } from '@same-song/core/instruments';
import {
  RECORD_KIND_IDS,
  type ContentOf,
  type Kept,
  type Listed,
  type ListPage,
  type RecordKindId,
} from '@same-song/core/records';
import type { Song } from '@same-song/core/song';
import { makeChange } from './changes.ts';
import { request } from './client.ts';

export type { Kept };
/** A record with its content. */
export type RecordOf<K extends RecordKindId> = ContentOf<K> & Kept;
export type InstrumentRecord = RecordOf<'instruments'>;
export type QuestionRecord = RecordOf<'questions'>;
export type ProgressionRecord = RecordOf<'progressions'>;
export type LayoutRecord = RecordOf<'layouts'>;
export type TagRecord = RecordOf<'tags'>;
export type SongRecord = RecordOf<'songs'>;
export type ItemRecord = RecordOf<'items'>;
export type LogRecord = RecordOf<'log'>;
export type ArrangementRecord = RecordOf<'arrangements'>;

export type Which = 'kept' | 'binned';

/** Most records whose content is asked for at once. */
const AT_ONCE = 100;

/** Every page of a list. */
async function wholeList(kind: RecordKindId, which: Which): Promise<readonly Listed[]> {
  const all: Listed[] = [];
  let after: number | null = 0;
  while (after !== null) {
    const page: ListPage = await request('GET', `/${kind}?which=${which}&after=${after}`);
    all.push(...page.items);
    after = page.next;
  }
  return all;
}

const contentKey = (kind: RecordKindId, { id, version }: Kept) => [kind, 'content', id, version];

const titlesKey = (kind: RecordKindId, which: Which) => [kind, which, 'titles'];

const oneKey = (kind: RecordKindId, id: string | undefined) => [kind, 'kept', 'one', id];

/** Whole records by their ids, in the bin or not; those that are not there are left out. */
export async function contentsOf<T extends Kept>(
  kind: RecordKindId,
  records: readonly Pick<Kept, 'id'>[],
): Promise<readonly T[]> {
  const batches: Promise<T[]>[] = [];
  for (let at = 0; at < records.length; at += AT_ONCE) {
    const ids = records.slice(at, at + AT_ONCE).map(({ id }) => id);
    batches.push(request('GET', `/${kind}/contents?ids=${ids.join(',')}`));
  }
  return (await Promise.all(batches)).flat();
}

/** A list with contents; what is known of a version is not asked for again. */
async function withContents<K extends RecordKindId>(
  client: QueryClient,
  kind: K,
  which: Which,
): Promise<readonly RecordOf<K>[]> {
  const list = await wholeList(kind, which);
  client.setQueryData(titlesKey(kind, which), list);
  const unknown = list.filter(
    (record) => !record.broken && client.getQueryData(contentKey(kind, record)) === undefined,
  );
  for (const record of await contentsOf<RecordOf<K>>(kind, unknown))
    client.setQueryData(contentKey(kind, record), record);
  return list.flatMap((record) => client.getQueryData<RecordOf<K>>(contentKey(kind, record)) ?? []);
}

/** One kind of record: its queries and the way out of the bin. */
export function recordsOf<K extends RecordKindId>(kind: K) {
  const useList = (which: Which = 'kept', enabled = true) => {
    const client = useQueryClient();
    return useQuery({ queryKey: [kind, which], queryFn: () => withContents(client, kind, which), enabled });
  };

  /** Without contents: ids, versions, titles, and the small fields that the kind lists. */
  const useTitles = (which: Which) =>
    useQuery({
      queryKey: titlesKey(kind, which),
      queryFn: () => wholeList(kind, which) as Promise<readonly (Listed & Partial<ContentOf<K>>)[]>,
    });

  /** One of them; null where there is none of this id. */
  const useOne = (id: string | undefined) =>
    useQuery({
      queryKey: oneKey(kind, id),
      queryFn: async () => (await contentsOf<RecordOf<K>>(kind, [{ id: id! }]))[0] ?? null,
      enabled: id !== undefined,
    });

  /** Takes a record out of the bin. */
  const useRestore = () => {
    const client = useQueryClient();
    return useMutation({
      mutationFn: (id: string) => makeChange([{ op: 'restore', kind, id }]),
      onSettled: () => renewRecords(client),
    });
  };

  return { kind, useList, useTitles, useOne, useRestore };
}

/** Shows a record as it was just answered. */
export function putRecord<K extends RecordKindId>(client: QueryClient, kind: K, record: RecordOf<K>): void {
  client.setQueryData(oneKey(kind, record.id), record);
}

/** Asks again for all lists of records that are shown. */
export function renewRecords(client: QueryClient): Promise<unknown> {
  return Promise.all(
    RECORD_KIND_IDS.flatMap((id) =>
      (['kept', 'binned'] as const).map((which) => client.invalidateQueries({ queryKey: [id, which] })),
    ),
  );
}

export type Records<K extends RecordKindId> = ReturnType<typeof recordsOf<K>>;

export const instruments = recordsOf('instruments');
export const questions = recordsOf('questions');
export const layouts = recordsOf('layouts');
export const progressions = recordsOf('progressions');
export const tags = recordsOf('tags');
export const songs = recordsOf('songs');
export const arrangements = recordsOf('arrangements');
export const people = recordsOf('people');
export const items = recordsOf('items');
export const routines = recordsOf('routines');
export const measurings = recordsOf('measurings');
export const log = recordsOf('log');

/** The content of an instrument record, without what the server adds. */
export function specOf({ id: _, version: __, ...spec }: InstrumentRecord): InstrumentSpec {
  return spec;
}

/** A song without what the server adds. */
export function songOf({ id: _, version: __, ...song }: SongRecord): Song {
  return song;
}
