import type { Circumstances, EffortTerm, TermInfo } from '../families/effortTerm.ts';
import type { Hold } from '../families/way.ts';
import { countedInHaste } from '../time/noteTiming.ts';

/** One term of a line's effort. */
export interface TermEffort extends Pick<TermInfo, 'id' | 'label' | 'about'> {
  /** What a player would count, by the term's tally. */
  readonly count: number;
  /** What it costs times its weight: this term's share of the total. */
  readonly cost: number;
}

/** What a line costs its player, in terms that can be felt. The total only ranks; it is never shown alone. */
export interface Effort {
  readonly total: number;
  readonly terms: readonly TermEffort[];
}

/** What sounding a hold costs by itself, with time enough for it. */
export function costOfHold(term: EffortTerm, hold: Hold, at: Circumstances): number {
  let sum = term.onHold?.(hold, at) ?? 0;
  if (term.onWay) for (const way of hold) if (!way.goesOn) sum += term.onWay(way, at);
  return sum;
}

/** What reaching a hold costs, from the one before or at the start of the line, with time enough for it. */
export function costOfStep(term: EffortTerm, from: Hold | undefined, to: Hold, at: Circumstances): number {
  return (from ? term.between?.(from, to, at) : term.atStart?.(to, at)) ?? 0;
}

/** How many times sounding a hold counts by its length, and reaching it by the time there is. */
export function hasteOf({ haste }: EffortTerm, { timing }: Circumstances): { hold: number; step: number } {
  if (!haste) return UNHURRIED_COSTS;
  return { hold: countedInHaste(haste, timing.lasts), step: countedInHaste(haste, timing.since) };
}

const UNHURRIED_COSTS = Object.freeze({ hold: 1, step: 1 });

/** On how many of its ways, and on the hold as a whole, a term falls. */
export function fallsOn(term: EffortTerm, hold: Hold, at: Circumstances): number {
  let falls = term.onHold && term.onHold(hold, at) > 0 ? 1 : 0;
  if (term.onWay) for (const way of hold) if (!way.goesOn && term.onWay(way, at) > 0) falls += 1;
  return falls;
}

/** What one term came to along a line, before weighting. */
export interface TermSum {
  /** As a player counts: what costs nothing in its haste is not there, and what costs more counts once. */
  sum: number;
  falls: number;
  cost: number;
}

/** The effort of a line from what its terms came to, in their order. */
export function effortOf(
  terms: readonly TermInfo[],
  weights: readonly number[],
  sums: readonly TermSum[],
): Effort {
  const efforts = terms.map(({ id, label, about, tally }, i): TermEffort => {
    const { sum, falls, cost } = sums[i]!;
    return { id, label, about, count: tally === 'notes' ? falls : round(sum), cost: cost * weights[i]! };
  });
  return { total: efforts.reduce((total, term) => total + term.cost, 0), terms: efforts };
}

/** One decimal: finer differences are not felt. */
function round(value: number): number {
  return Math.round(value * 10) / 10;
}
