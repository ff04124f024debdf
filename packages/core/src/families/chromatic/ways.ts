import type { Can, GroupOfPlaces } from '../layoutPart.ts';
import { range } from '../kernel/options.ts';
import { holesApart } from '../kernel/holes.ts';
import type { Clash, FingeredWay, Technique, Way } from '../way.ts';
import type { ChromaticLayout } from './layout.ts';
import { ROW_WORDS, ROWS, SIZES } from './tables.ts';

export const techniques = Object.freeze([
  { id: 'open', label: 'open notes', needs: 'an open note', safe: true },
  { id: 'slide', label: 'notes with the slide', needs: 'the slide', safe: true },
] as const satisfies readonly Technique[]);

export interface ChromaticWay extends Way {
  readonly technique: (typeof techniques)[number]['id'];
  readonly air: 'out' | 'in';
  readonly hole: number;
}

/** Every reed is one way: `3b`, `3bs` with the slide in, `3d`, `3ds`. */
export function ways(layout: ChromaticLayout, can: Can): readonly ChromaticWay[] {
  return range(1, SIZES[layout.size].holes).flatMap((hole) =>
    ROWS.map((row): ChromaticWay => {
      const air = row.startsWith('blow') ? 'out' : 'in';
      const slide = row.endsWith('Slide');
      return {
        id: `${hole}${air === 'out' ? 'b' : 'd'}${slide ? 's' : ''}`,
        pitch: layout.home + layout.reeds[row][hole - 1]!,
        technique: slide ? 'slide' : 'open',
        place: String(hole),
        air,
        words: `${hole} ${ROW_WORDS[row]}`,
        able: !slide || can('slide', String(hole)),
        redundantTo: undefined,
        hole,
      };
    }),
  );
}

function holeNames({ size }: ChromaticLayout): string[] {
  return range(1, SIZES[size].holes).map(String);
}

export function capabilityGroups(layout: ChromaticLayout): readonly GroupOfPlaces[] {
  return [
    {
      id: 'slide',
      label: 'Slide',
      about: 'Holes where the slide works; none for a pupil who does not use it yet.',
      places: holeNames(layout),
    },
  ];
}

/** The slide is in for all holes or for none. */
export function clash(
  _layout: ChromaticLayout,
  low: FingeredWay<ChromaticWay>,
  high: FingeredWay<ChromaticWay>,
): Clash | undefined {
  if (low.way.technique !== high.way.technique)
    return { reason: 'technique', text: 'the slide is in for all holes or for none' };
  return holesApart(low, high);
}
