import { changeText, compareEffort, type EffortChange } from './compareEffort.ts';
import type { SongView } from './songView.ts';

/** What is easier and what is harder in a second arrangement than in a first, in a player's words. */
export interface ViewDifference {
  readonly easier: readonly string[];
  readonly harder: readonly string[];
}

/**
 * Compares two arrangements of one song by what a player counts. Where the instruments ask different things, as a whistle
 * and a harmonica do, each is told with the number of times that only one of them asks it.
 */
export function compareViews(
  first: Pick<SongView, 'effort' | 'missing'>,
  second: Pick<SongView, 'effort' | 'missing'>,
): ViewDifference {
  const easier: string[] = [];
  const harder: string[] = [];
  const tell = (change: EffortChange) => (change.by < 0 ? easier : harder).push(changeText(change));
  const lacking = second.missing.length - first.missing.length;
  if (lacking !== 0) tell({ label: 'notes that cannot be had', by: lacking });
  for (const change of compareEffort(first.effort, second.effort)) tell(change);
  return { easier, harder };
}
