import type { Direction } from './direction.ts';

/** Patterns over any rising list of notes; each gives the indices to be played, in order. */
export interface Pattern {
  readonly id: string;
  /** Fits into the question line: `two octaves up in groups of three`. */
  readonly label: string;
  readonly about: string;
  /** True where the first index is the lowest note whichever way the line goes, and only the others turn round. */
  readonly anchored?: boolean;
  /** Where a line in it goes when nobody says: up and down when left out. */
  readonly usualDirection?: Direction;
  /**
   * @param count how many notes there are
   * @param homes indices of home among them, rising
   */
  order(count: number, homes: readonly number[]): readonly number[];
}

const upTo = (count: number) => Array.from({ length: Math.max(0, count) }, (_, i) => i);

function groups(size: number, steps: readonly number[] = upTo(size)) {
  const width = Math.max(...steps) + 1;
  return (count: number) => upTo(count - width + 1).flatMap((from) => steps.map((step) => from + step));
}

/** Source: patterns as teachers of these instruments commonly set them. */
export const PATTERNS = Object.freeze([
  { id: 'straight', label: 'straight', about: 'Note after note.', order: upTo },
  {
    id: 'home-and-back',
    label: 'from the middle home and back',
    about: 'From a home in the middle to the top, down to the lowest note, back home.',
    order: (count: number, homes: readonly number[]) => {
      const home = homes[Math.floor((homes.length - 1) / 2)] ?? 0;
      const all = upTo(count);
      return [...all.slice(home), ...all.slice(0, -1).reverse(), ...all.slice(1, home + 1)];
    },
  },
  { id: 'threes', label: 'in groups of three', about: '1 2 3, 2 3 4, 3 4 5 …', order: groups(3) },
  { id: 'fours', label: 'in groups of four', about: '1 2 3 4, 2 3 4 5 …', order: groups(4) },
  { id: 'neighbours', label: 'with neighbours', about: '1 2 1, 2 3 2 …', order: groups(3, [0, 1, 0]) },
  {
    id: 'pedal',
    label: 'over a pedal',
    about: 'The lowest note before each of the others: 1 2, 1 3, 1 4 …',
    anchored: true,
    order: (count: number) => upTo(count - 1).flatMap((i) => [0, i + 1]),
  },
  { id: 'thirds', label: 'in broken thirds', about: '1 3, 2 4, 3 5 …', order: groups(2, [0, 2]) },
  { id: 'arpeggios', label: 'in arpeggios', about: '1 3 5, 2 4 6, 3 5 7 …', order: groups(3, [0, 2, 4]) },
  {
    id: 'anchor',
    label: 'returning to the anchor',
    about: 'Each note, and back to the lowest one after it.',
    anchored: true,
    // Source: tongue drums are taught going down the scale, back to the centre after each note.
    usualDirection: 'down',
    order: (count: number) => upTo(count - 1).flatMap((i) => [i + 1, 0]),
  },
  {
    id: 'loops',
    label: 'looping four neighbours',
    about: 'Four neighbours twice over, then the next four.',
    order: (count: number) =>
      upTo(Math.max(1, count - 3)).flatMap((from) => {
        const four = upTo(Math.min(4, count)).map((i) => from + i);
        return [...four, ...four];
      }),
  },
] as const satisfies readonly Pattern[]);

export type PatternId = (typeof PATTERNS)[number]['id'];

/** @throws on an unknown pattern */
export function patternById(id: string): Pattern {
  const found = PATTERNS.find((pattern) => pattern.id === id);
  if (!found) throw new Error(`patternById: no pattern ${id}`);
  return found;
}
