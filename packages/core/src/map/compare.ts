import type { MapView, WayView } from './mapView.ts';

/** A part of the effort in two maps. */
export interface PartComparison {
  readonly label: string;
  readonly first: number;
  readonly second: number;
}

/** Two maps side by side. */
export interface Comparison {
  /** Ways whose note belongs to both scales, to the first only, to the second only; empty across instruments. */
  readonly kept: readonly WayView[];
  readonly dropped: readonly WayView[];
  readonly added: readonly WayView[];
  /** Degrees by name: kept, dropped, added notes. */
  readonly notes: {
    readonly kept: readonly string[];
    readonly dropped: readonly string[];
    readonly added: readonly string[];
  };
  readonly parts: readonly PartComparison[];
  /** Notes that can be had, of how many. */
  readonly reach: readonly [string, string];
}

const belongs = (way: WayView) => way.reachable && way.role !== 'outside' && way.role !== 'colour';

/** @param sameInstrument false across instruments, whose ways have nothing in common */
export function compareMaps(first: MapView, second: MapView, sameInstrument: boolean): Comparison {
  const inSecond = new Map(second.ways.map((way) => [way.id, way]));
  const pairs = sameInstrument
    ? first.ways.map((way) => ({ way, before: belongs(way), after: belongs(inSecond.get(way.id)!) }))
    : [];
  const labels = [...new Set([...first.effort.parts, ...second.effort.parts].map((part) => part.label))];
  const countIn = (view: MapView, label: string) =>
    view.effort.parts.find((part) => part.label === label)?.count ?? 0;
  const { notes: before } = first.facts;
  const { notes: after } = second.facts;
  return {
    kept: pairs.filter((p) => p.before && p.after).map((p) => inSecond.get(p.way.id)!),
    dropped: pairs.filter((p) => p.before && !p.after).map((p) => p.way),
    added: pairs.filter((p) => !p.before && p.after).map((p) => inSecond.get(p.way.id)!),
    notes: {
      kept: before.filter((note) => after.includes(note)),
      dropped: before.filter((note) => !after.includes(note)),
      added: after.filter((note) => !before.includes(note)),
    },
    parts: labels
      .map((label) => ({ label, first: countIn(first, label), second: countIn(second, label) }))
      .filter((part) => part.first > 0 || part.second > 0),
    reach: [first, second].map(({ reach }) => `${reach.have} of ${reach.of}`) as [string, string],
  };
}
