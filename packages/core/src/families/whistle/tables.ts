/** One way to cover the six holes: x covered, h half covered, o open, from the hole nearest the mouth. */
export interface Fingering {
  readonly pattern: string;
  /** Semitones above the lowest note in the low register. */
  readonly semitones: number;
  readonly kind: 'plain' | 'half' | 'cross';
  /** Bore in which makers and teachers usually find it the better one, where the bore decides. */
  readonly bore?: 'conical' | 'cylindrical';
  /** Low register only, upper register only, or both. */
  readonly registers: 'low' | 'upper' | 'both';
}

function row(
  semitones: number,
  pattern: string,
  kind: Fingering['kind'] = 'plain',
  more: Partial<Fingering> = {},
): Fingering {
  return Object.freeze({ pattern, semitones, kind, registers: 'both', ...more });
}

/** Source: the usual fingerings of the six-hole whistle; the alternates vary by maker. */
export const FINGERINGS: readonly Fingering[] = Object.freeze([
  row(0, 'xxxxxx', 'plain', { registers: 'low' }),
  row(1, 'xxxxxh', 'half'),
  row(2, 'xxxxxo'),
  row(3, 'xxxxho', 'half'),
  row(4, 'xxxxoo'),
  row(5, 'xxxooo'),
  row(6, 'xxhooo', 'half'),
  row(6, 'xxoxxo', 'cross'),
  row(7, 'xxoooo'),
  row(8, 'xhoooo', 'half'),
  row(8, 'xoxxxx', 'cross'),
  row(9, 'xooooo'),
  row(10, 'oxxooo', 'cross', { bore: 'conical' }),
  row(10, 'oxxxoo', 'cross', { bore: 'cylindrical' }),
  row(10, 'oxxxxo', 'cross', { bore: 'cylindrical' }),
  row(10, 'hooooo', 'half'),
  row(10, 'oxoxxx', 'cross', { registers: 'upper' }),
  row(10, 'oxxxox', 'cross', { registers: 'upper' }),
  row(11, 'oooooo'),
  row(11, 'oooxxx', 'plain', { registers: 'low' }),
  row(0, 'oxxxxx', 'plain', { registers: 'upper' }),
  row(0, 'xxxxxx', 'plain', { registers: 'upper' }),
]);

/** Cross-fingerings of the 6th and 8th semitone: not relied on until the player has tried them. */
export const MAKER_DEPENDENT: readonly string[] = Object.freeze(['xxoxxo', 'xoxxxx']);

/** The note that every whistle fingers in a way of its own, in semitones above the lowest. */
export const TENTH = 10;

/** Semitones above the lowest note from which notes are strained: two octaves up. */
export const STRAINED = 24;

/** Semitones above the two-octave point that the strained register offers, with the fingerings of the low one. */
export const STRAINED_TO = 26;

export const BORES = Object.freeze(['conical', 'cylindrical'] as const);
export type Bore = (typeof BORES)[number];

/** The lowest finger that cuts, counted from the mouth: D E F♯ G are cut with it, A and B with the one above. Source: as whistle players are taught. */
export const CUT_FINGER = 3;
/** The fingers of a cran on the lowest note, which no finger can strike. */
export const CRAN_FINGERS: readonly number[] = Object.freeze([3, 4]);
