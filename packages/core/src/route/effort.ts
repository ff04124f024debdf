import type { EffortPart, Loads } from '../families/effortPart.ts';

/** One part of a line's effort. */
export interface PartEffort {
  readonly id: string;
  readonly label: string;
  readonly about: string;
  /** What a player would count: notes or a sum of loads, by the part's tally. */
  readonly count: number;
  /** Load times weight: this part's share of the total. */
  readonly cost: number;
}

/** What a line costs its player, in parts that can be felt. The total only ranks; it is never shown alone. */
export interface Effort {
  readonly total: number;
  readonly parts: readonly PartEffort[];
}

export type Weights = Readonly<Record<string, number>>;

/** Weighted sum of loads; parts that a family leaves out at the end count 0. */
export function costOf(loads: Loads, weights: readonly number[]): number {
  let sum = 0;
  for (let i = 0; i < loads.length; i += 1) sum += loads[i]! * weights[i]!;
  return sum;
}

/** Sums up the loads of a line's notes, each note with the step that led to it. */
export function effortOf(
  parts: readonly EffortPart[],
  weights: readonly number[],
  notes: readonly Loads[],
): Effort {
  const efforts = parts.map((part, i): PartEffort => {
    const sum = notes.reduce((total, loads) => total + (loads[i] ?? 0), 0);
    const count = part.tally === 'notes' ? notes.filter((loads) => (loads[i] ?? 0) > 0).length : round(sum);
    return { id: part.id, label: part.label, about: part.about, count, cost: sum * weights[i]! };
  });
  return { total: efforts.reduce((total, part) => total + part.cost, 0), parts: efforts };
}

/** One decimal: finer differences are not felt. */
function round(value: number): number {
  return Math.round(value * 10) / 10;
}
