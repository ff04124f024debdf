/** What planted faults are made of. */
import type { FamilyDefinition } from '../../src/families/contract.ts';
import type { EffortTerm } from '../../src/families/effortTerm.ts';
import type { Way } from '../../src/families/way.ts';

export type Definition = FamilyDefinition<Record<string, unknown>, Way>;

/** A change of the first of a list. */
export const first = <T>([one, ...others]: readonly T[], change: Partial<T>): readonly T[] => [
  { ...one!, ...change },
  ...others,
];

/** The ways of a definition with the first of them changed. */
export const firstWay =
  ({ ways }: Definition, change: Partial<Way>): Definition['ways'] =>
  (layout, can) =>
    first(ways(layout, can), change);

/** A term of the effort that is planted. */
export const term = (parts: Partial<EffortTerm<Record<string, unknown>, Way>>) => ({
  id: 'planted',
  label: 'planted',
  about: 'Planted.',
  tally: 'sum' as const,
  weight: 0,
  ...parts,
});
