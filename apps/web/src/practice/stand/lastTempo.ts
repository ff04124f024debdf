import type { ItemRecord } from '../../api/records.ts';
import type { Practice } from '../usePracticeData.ts';

/** Tempo with which an item was left. */
export function lastTempo({ entries }: Practice, { id, how }: ItemRecord): number {
  const last = entries.findLast(({ itemId, tempo }) => itemId === id && tempo > 0);
  return last ? Math.round(last.tempo) : how.tempo;
}
