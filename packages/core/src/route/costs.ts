import type { Circumstances } from '../families/effortTerm.ts';
import type { Hold } from '../families/way.ts';
import type { Instrument } from '../instrument/instrument.ts';
import { checkedCost } from '../solver/solver.ts';
import type { NoteTiming } from '../time/noteTiming.ts';
import { costOfHold, costOfStep, fallsOn, hasteOf, type TermSum } from './effort.ts';
import type { ResolvedPreferences } from './preferences.ts';

/** Weighted costs of holds and of the steps between them, and the same term by term. */
export interface CostTable {
  own(hold: Hold, timing: NoteTiming): number;
  /** @param from undefined at the start of the line @param carried what the line left behind before the step */
  step(from: Hold | undefined, to: Hold, carried: string, timing: NoteTiming): number;
  /** Adds both together, term by term and not weighted, to sums in the order of the terms. */
  addTo(
    sums: readonly TermSum[],
    from: Hold | undefined,
    to: Hold,
    carried: string,
    timing: NoteTiming,
  ): void;
  /** Equal for two timings at which every hold, or every step, costs the same: what may be remembered under it. */
  ownCacheKey(timing: NoteTiming): string;
  stepCacheKey(timing: NoteTiming): string;
}

/** More than any step costs: a note that is to be held is let go where nothing else is possible alone. */
const LET_GO = 10_000;

/** How many notes that a hold goes on with are not those that the hold before sounds. */
function released(from: Hold | undefined, to: Hold): number {
  let count = 0;
  for (const { way, goesOn, fingering } of to)
    if (goesOn && !from?.some((one) => one.way === way && one.fingering === fingering)) count += 1;
  return count;
}

export function costTable(instrument: Instrument, { weights, options }: ResolvedPreferences): CostTable {
  const { layout, terms } = instrument;
  const weighed = terms.map((term, i) => ({ term, weight: weights[i]! })).filter(({ weight }) => weight > 0);
  const ofHolds = weighed.filter(({ term }) => term.onWay ?? term.onHold);
  const ofSteps = weighed.filter(({ term }) => term.between ?? term.atStart);
  const circumstances = (timing: NoteTiming, carried = ''): Circumstances => ({
    layout,
    options,
    timing,
    carried,
  });
  const felt = (by: typeof weighed, inHaste: keyof NoteTiming) => [
    ...new Set(by.flatMap(({ term }) => [...(term.feels ?? []), ...(term.haste ? [inHaste] : [])])),
  ];
  const feltByHolds = felt(ofHolds, 'lasts');
  const feltBySteps = felt(ofSteps, 'since');
  const key = (fields: readonly (keyof NoteTiming)[], timing: NoteTiming) =>
    fields.length === 0 ? '' : fields.map((field) => timing[field]).join(' ');
  return {
    own(hold, timing) {
      const at = circumstances(timing);
      let cost = 0;
      for (const { term, weight } of ofHolds)
        cost += weight * hasteOf(term, at).hold * costOfHold(term, hold, at);
      return checkedCost(cost);
    },
    step(from, to, carried, timing) {
      const at = circumstances(timing, carried);
      let cost = 0;
      for (const { term, weight } of ofSteps)
        cost += weight * hasteOf(term, at).step * costOfStep(term, from, to, at);
      return checkedCost(cost + LET_GO * released(from, to));
    },
    addTo(sums, from, to, carried, timing) {
      const at = circumstances(timing, carried);
      for (const [i, term] of terms.entries()) {
        const total = sums[i]!;
        const haste = hasteOf(term, at);
        const [hold, step] = [costOfHold(term, to, at), costOfStep(term, from, to, at)];
        total.sum += (haste.hold > 0 ? hold : 0) + (haste.step > 0 ? step : 0);
        total.cost += haste.hold * hold + haste.step * step;
        if (term.tally === 'notes') total.falls += fallsOn(term, to, at);
      }
    },
    ownCacheKey: (timing) => key(feltByHolds, timing),
    stepCacheKey: (timing) => key(feltBySteps, timing),
  };
}
