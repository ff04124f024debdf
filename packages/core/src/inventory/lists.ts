import type { Technique } from '../families/way.ts';
import type { Music } from './inventory.ts';

/** What a way needs to be listed. */
interface Listed {
  readonly technique: string;
  readonly music: Music;
  /** Instrument, player and preferences allow it. */
  readonly usable: boolean;
  readonly redundant: boolean;
}

/** Ways under one heading, by technique from easy to hard where that matters. */
export interface InventoryList<W> {
  readonly id: Music | 'not-yet';
  readonly title: string;
  readonly about: string;
  readonly groups: readonly {
    readonly technique: string;
    readonly label: string;
    readonly ways: readonly W[];
  }[];
}

const HEADINGS = Object.freeze([
  { id: 'in', title: 'In the scale or the chord', about: 'The easiest first.' },
  {
    id: 'risk',
    title: 'A risk',
    about: 'Outside the scale, but it may pay off: short, and led on by a step.',
  },
  {
    id: 'leave',
    title: 'Leave out',
    about: 'Outside the scale: nothing leads on from it, or it is too hard for what it gives.',
  },
  {
    id: 'not-yet',
    title: 'Not possible yet',
    about: 'In the scale, but not by this instrument or player so far.',
  },
] as const);

/** The inventory as it is read: what is in the scale, a risk, to be left out, and what cannot be had yet. Empty lists are left out. */
export function inventoryLists<W extends Listed>(
  techniques: readonly Technique[],
  ways: readonly W[],
): readonly InventoryList<W>[] {
  const worthIt = ways.filter((way) => !way.redundant);
  const headingOf = (way: W) => (way.usable ? way.music : way.music === 'in' ? 'not-yet' : undefined);
  return HEADINGS.map((heading) => {
    const own = worthIt.filter((way) => headingOf(way) === heading.id);
    const groups = techniques.map(({ id, label }) => ({
      technique: id,
      label,
      ways: own.filter((way) => way.technique === id),
    }));
    return { ...heading, groups: groups.filter((group) => group.ways.length > 0) };
  }).filter(({ groups }) => groups.length > 0);
}
