import type { Effort } from '../route/effort.ts';

/** One part of the effort that a player counts more often, or less, in a second line than in a first. */
export interface EffortChange {
  readonly label: string;
  /** More above 0. */
  readonly by: number;
}

/** What changes from one effort to another, what weighs most first; a part that only one of them has counts from nothing. */
export function compareEffort(first: Effort, second: Effort): readonly EffortChange[] {
  const labels = new Set([...first.terms, ...second.terms].map(({ label }) => label));
  return [...labels]
    .map((label) => {
      const [a, b] = [first, second].map(({ terms }) => terms.find((term) => term.label === label));
      const by = Math.round(((b?.count ?? 0) - (a?.count ?? 0)) * 10) / 10;
      return { label, by, weight: Math.abs((b?.cost ?? 0) - (a?.cost ?? 0)) };
    })
    .filter(({ by }) => by !== 0)
    .sort((a, b) => b.weight - a.weight)
    .map(({ label, by }) => ({ label, by }));
}

/** `turns of breath: 4 more`. */
export function changeText({ label, by }: EffortChange): string {
  return `${label}: ${Math.abs(by)} ${by > 0 ? 'more' : 'fewer'}`;
}
