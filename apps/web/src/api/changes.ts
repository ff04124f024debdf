import type { ContentOf, Kept, RecordKindId } from '@same-song/core';
import { request } from './client.ts';

/** One write to a record; a version is the one that was seen. */
export type Write<K extends RecordKindId = RecordKindId> =
  | { readonly op: 'create'; readonly kind: K; readonly content: ContentOf<K> }
  | (Kept & { readonly op: 'update'; readonly kind: K; readonly content: ContentOf<K> })
  | (Kept & { readonly op: 'bin'; readonly kind: K })
  | { readonly op: 'restore'; readonly kind: K; readonly id: string };

/** A change that the server made. */
export interface MadeChange<K extends RecordKindId = RecordKindId> {
  readonly id: string;
  /** The records as they stand after it, in the order of the writes. */
  readonly records: readonly (ContentOf<K> & Kept)[];
}

/** Makes writes, all or none of them. @throws RequestError whose `write` names the one that is refused */
export function makeChange<K extends RecordKindId>(writes: readonly Write<K>[]): Promise<MadeChange<K>> {
  return request('POST', '/changes', { writes });
}

/**
 * Takes a change back, which is a change itself.
 * @param anyway also over what was changed since; otherwise that is refused as `changed-since`
 * @throws RequestError
 */
export function undoChange(id: string, anyway: boolean): Promise<MadeChange> {
  return request('POST', `/changes/${id}/undo`, { anyway });
}
