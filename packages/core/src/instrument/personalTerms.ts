import type { EffortTerm, TermInfo } from '../families/effortTerm.ts';
import { AGAINST_CHOICE, AIR_BUTTON, LONG_AIR, OUT_OF_TUNE } from '../families/generalTerms.ts';
import type { Way } from '../families/way.ts';

/** Cents that count as one. */
const CENTS_COUNTED = 10;

/**
 * A family's terms with those filled in that come from one's own instrument, in the order of the family's list.
 * @param own the family's own terms
 * @param all every term of the family
 */
export function withPersonalTerms(
  own: readonly EffortTerm[],
  all: readonly TermInfo[],
  ways: readonly Way[],
  centsOf: (way: Way) => number,
  choices: readonly string[],
): readonly EffortTerm[] {
  const chosen = new Set(choices);
  const chosenFor = new Map(
    ways.filter((way) => chosen.has(way.id)).map((way) => [way.pitch, way.id] as const),
  );
  const personal: Readonly<Record<string, EffortTerm>> = {
    [OUT_OF_TUNE.id]: { ...OUT_OF_TUNE, onWay: ({ way }) => Math.abs(centsOf(way)) / CENTS_COUNTED },
    [AGAINST_CHOICE.id]: {
      ...AGAINST_CHOICE,
      onWay: ({ way }) => ((chosenFor.get(way.pitch) ?? way.id) === way.id ? 0 : 1),
    },
    // Counted along the line by the route, which alone knows how much air there is.
    [AIR_BUTTON.id]: AIR_BUTTON,
    [LONG_AIR.id]: LONG_AIR,
  };
  return [...own, ...all.slice(own.length).map(({ id }) => personal[id]!)];
}
