import type { ContentOf, Kept, MadeChange, RecordKindId, Write } from '@same-song/core/records';
import { request } from './client.ts';

/** Makes writes, all or none of them. @throws RequestError whose `write` names the one that is refused */
export function makeChange<K extends RecordKindId>(
  writes: readonly Write<K>[],
): Promise<MadeChange<ContentOf<K> & Kept>> {
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
