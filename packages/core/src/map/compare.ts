import type { WayView } from './instrumentView.ts';
import type { MapView } from './mapView.ts';

/** A term of the effort in two maps. */
export interface TermComparison {
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
  readonly terms: readonly TermComparison[];
  /** Notes that can be had, of how many. */
  readonly coverage: readonly [string, string];
}

const belongs = (way: WayView) => way.usable && way.music === 'in';

/** @param sameInstrument false across instruments, whose ways have nothing in common */
export function compareMaps(first: MapView, second: MapView, sameInstrument: boolean): Comparison {
  const inSecond = new Map(second.ways.map((way) => [way.id, way]));
  const pairs = sameInstrument
    ? first.ways.map((way) => ({ way, before: belongs(way), after: belongs(inSecond.get(way.id)!) }))
    : [];
  const labels = [...new Set([...first.effort.terms, ...second.effort.terms].map((term) => term.label))];
  const countIn = (view: MapView, label: string) =>
    view.effort.terms.find((term) => term.label === label)?.count ?? 0;
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
    terms: labels
      .map((label) => ({ label, first: countIn(first, label), second: countIn(second, label) }))
      .filter((term) => term.first > 0 || term.second > 0),
    coverage: [reachText(first), reachText(second)],
  };
}

function reachText({ coverage }: Pick<MapView, 'coverage'>): string {
  return `${coverage.have} of ${coverage.of}`;
}
