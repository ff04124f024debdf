/** How a tempo is raised: from about half of what is wanted, a step at a time. */
export interface Ladder {
  /** Counted beats a minute. */
  readonly from: number;
  readonly to: number;
  /** Beats a minute a step. */
  readonly step: number;
  /** Rounds without a mistake, one after the other, before it is raised. */
  readonly raiseAfter: number;
  /** Rounds with one before it falls back. */
  readonly fallAfter: number;
}

/** Source: raise by 4 to 8 after three clean rounds, fall back after two that were not. */
export const USUAL_LADDER = Object.freeze({ step: 6, raiseAfter: 3, fallAfter: 2 });

/** Tempos that a metronome has. */
export const TEMPO_LIMITS = Object.freeze({ least: 20, most: 300 });

/** Where a player stands on a ladder. */
export interface Rung {
  readonly perMinute: number;
  /** Rounds of one kind in a row: clean ones, or those that were not. */
  readonly clean: number;
  readonly missed: number;
  /** What the last round did. */
  readonly moved?: 'up' | 'down' | 'top';
}

export function firstRung({ from }: Pick<Ladder, 'from'>): Rung {
  return { perMinute: from, clean: 0, missed: 0 };
}

/** Where a ladder leads after a round. Pure. */
export function afterRound(ladder: Ladder, { perMinute, clean, missed }: Rung, wasClean: boolean): Rung {
  const { from, to, step, raiseAfter, fallAfter } = ladder;
  if (wasClean) {
    if (clean + 1 < raiseAfter) return { perMinute, clean: clean + 1, missed: 0 };
    const raised = Math.min(Math.max(to, from), perMinute + step);
    return { perMinute: raised, clean: 0, missed: 0, moved: raised === perMinute ? 'top' : 'up' };
  }
  if (missed + 1 < fallAfter) return { perMinute, clean: 0, missed: missed + 1 };
  const fallen = Math.max(Math.min(from, perMinute), perMinute - step);
  return { perMinute: fallen, clean: 0, missed: 0, ...(fallen < perMinute && { moved: 'down' as const }) };
}

/** The tempos of a ladder by factors: ×1, ×1.5, ×2 of where it begins. */
export const FACTORS = Object.freeze([1, 1.5, 2]);
