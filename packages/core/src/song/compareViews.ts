import type { SongView } from './songView.ts';

/** What is easier and what is harder in a second arrangement than in a first, in a player's words. */
export interface ViewDifference {
  readonly easier: readonly string[];
  readonly harder: readonly string[];
}

/**
 * Compares two arrangements of one song by what a player counts. Where the instruments ask different things, as a whistle
 * and a harmonica do, each is told with the number of times that only one of them asks it.
 */
export function compareViews(
  first: Pick<SongView, 'effort' | 'missing'>,
  second: Pick<SongView, 'effort' | 'missing'>,
): ViewDifference {
  const easier: string[] = [];
  const harder: string[] = [];
  const tell = (label: string, by: number) => {
    if (by < 0) easier.push(`${label}: ${round(-by)} fewer`);
    if (by > 0) harder.push(`${label}: ${round(by)} more`);
  };
  tell('notes that cannot be had', second.missing.length - first.missing.length);
  const labels = new Set([...first.effort.terms, ...second.effort.terms].map(({ label }) => label));
  const changes = [...labels].map((label) => {
    const [a, b] = [first, second].map(({ effort }) => effort.terms.find((term) => term.label === label));
    return {
      label,
      by: (b?.count ?? 0) - (a?.count ?? 0),
      weight: Math.abs((b?.cost ?? 0) - (a?.cost ?? 0)),
    };
  });
  for (const { label, by } of changes.sort((a, b) => b.weight - a.weight)) tell(label, by);
  return { easier, harder };
}

function round(value: number): number {
  return Math.round(value * 10) / 10;
}
