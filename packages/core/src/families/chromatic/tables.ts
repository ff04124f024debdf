import { keysOf } from '../../objects.ts';
/**
 * Semitones above the block's first reed; the block repeats an octave higher.
 * Source: standard solo tuning of the slide harmonica.
 */
export const BLOCK = Object.freeze({
  //     hole  1  2  3  4
  blow: [0, 4, 7, 12],
  draw: [2, 5, 9, 11],
});

/** Semitones the slide adds to every reed. */
export const SLIDE = 1;

/**
 * Sizes by number of holes: where in the block hole 1 lies, and semitones from the usual home to that block.
 * Source: the sizes commonly made; 14 holes begin at the fifth below home, 16 an octave lower.
 */
export const SIZES = Object.freeze({
  '10': { holes: 10, firstInBlock: 0, blockBelow: 0, label: '10 holes' },
  '12': { holes: 12, firstInBlock: 0, blockBelow: 0, label: '12 holes' },
  '14': { holes: 14, firstInBlock: 2, blockBelow: 12, label: '14 holes' },
  '16': { holes: 16, firstInBlock: 0, blockBelow: 12, label: '16 holes' },
});
export type SizeId = keyof typeof SIZES;
export const SIZE_IDS = Object.freeze(keysOf(SIZES));

/** Rows of reeds, by what the player does. */
export const ROWS = Object.freeze(['blow', 'blowSlide', 'draw', 'drawSlide'] as const);
export type Row = (typeof ROWS)[number];

export const ROW_WORDS: Readonly<Record<Row, string>> = Object.freeze({
  blow: 'blow',
  blowSlide: 'blow, slide in',
  draw: 'draw',
  drawSlide: 'draw, slide in',
});

/** All reeds of a size as semitones above home, by row. @param topRaised the last draw with slide sounds 2 above the top blow */
export function reedPlan(size: SizeId, topRaised: boolean): Readonly<Record<Row, readonly number[]>> {
  const { holes, firstInBlock, blockBelow } = SIZES[size];
  const row = (plate: 'blow' | 'draw', slide: number) =>
    Object.freeze(
      Array.from({ length: holes }, (_, i) => {
        const at = firstInBlock + i;
        return BLOCK[plate][at % 4]! + 12 * Math.floor(at / 4) - blockBelow + slide;
      }),
    );
  const blow = row('blow', 0);
  const drawSlide = [...row('draw', SLIDE)];
  if (topRaised) drawSlide[holes - 1] = blow[holes - 1]! + 2;
  return { blow, blowSlide: row('blow', SLIDE), draw: row('draw', 0), drawSlide };
}
