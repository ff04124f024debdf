import { useMemo } from 'react';
import type { ItemRecord } from '../../api/records.ts';
import { choose } from '../../question/reference.ts';
import type { RoundBegun, RoundResult } from '../log/useLog.ts';
import type { Practice } from '../usePracticeData.ts';

/** What all kinds of items have in common while they are played. */
export interface OnStand {
  readonly practice: Practice;
  readonly item: ItemRecord;
  /** Something sounds: from here on all time counts. */
  readonly begin: (round: RoundBegun) => void;
  /** Nothing sounds any more: of what follows no more than a short pause counts. */
  readonly rest: () => void;
  /** A round is over. */
  readonly told: (round: RoundResult) => void;
}

/** The instrument of an item. */
export function useItemInstrument({ cabinet }: Practice, { instrumentId }: ItemRecord) {
  return useMemo(() => choose(instrumentId, cabinet, cabinet.length === 0), [instrumentId, cabinet]);
}
