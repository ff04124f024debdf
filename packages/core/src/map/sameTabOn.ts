import type { Way } from '../families/way.ts';
import type { Instrument } from '../instrument/instrument.ts';

/** Finds the way that is written with the same tab on another instrument of the family; undefined where there is none. */
export function sameTabOn(from: Instrument, to: Instrument): (way: Way) => Way | undefined {
  const [dialect] = from.family.dialects;
  const tabOf = (on: Instrument, way: Way) => on.tab(way, dialect!.id);
  const there = new Map(to.ways.map((way) => [tabOf(to, way), way]));
  return (way) => there.get(tabOf(from, way));
}
