import type { Haste } from '../../time/noteTiming.ts';
import type { EffortTerm } from '../effortTerm.ts';
import type { ChordSpelling } from './readLoosely.ts';
import { airOf, type Air, type Clash, type FingeredWay, type Hold, type Way } from '../way.ts';

/** What harmonicas share: holes in a row before one mouth and one breath. */
export interface HoleWay extends Way {
  readonly air: 'out' | 'in';
  /** 1 the lowest. */
  readonly hole: number;
}

/** Widest stretch of holes that one mouth covers with the tongue between. Source: octaves and splits as they are taught. */
const MOUTH = 5;

const SIGNS: Readonly<Record<string, string>> = Object.freeze({ '-': '-', '−': '-', '–': '-', '+': '+' });
const ENDINGS: Readonly<Record<string, string>> = Object.freeze({ '↑': '+', b: '+', '↓': '-', d: '-' });

/** Holes that one breath sounds, in words: `1 2 3 draw`; and how they are typed. */
const HOLES_IN_WORDS: ChordSpelling = {
  typed: /^(\d+(?: \d+)+) (blow|draw)$/,
  notes: ([holes, air]) => holes!.split(' ').map((hole) => `${hole} ${air!}`),
};

/** Holes in one breath, a figure each: `-123`, `+134`, `123↓`; two figures are rather one hole that is not there. */
export const HOLES_TYPED: readonly ChordSpelling[] = Object.freeze([
  {
    typed: /^([-−–+])([1-9]{3,5})$/,
    notes: ([sign, holes]) => [...holes!].map((hole) => SIGNS[sign!]! + hole),
  },
  {
    typed: /^([1-9]{3,5})([↑↓bd])$/,
    notes: ([holes, air]) => [...holes!].map((hole) => ENDINGS[air!]! + hole),
  },
  HOLES_IN_WORDS,
]);

/** How the dialects of harmonicas write holes and their air. */
const HOLES_WRITTEN = Object.freeze({
  words: (holes: string, air: Air) => `${holes} ${air === 'out' ? 'blow' : 'draw'}`,
  arrows: (holes: string, air: Air) => `${holes}${air === 'out' ? '↑' : '↓'}`,
  signs: (holes: string, air: Air) => `${air === 'out' ? '+' : '−'}${holes}`,
  letters: (holes: string, air: Air) => `${holes}${air === 'out' ? 'b' : 'd'}`,
});

/**
 * Writes plain holes of one breath as one: in words any, elsewhere three to five of one figure each, which no single hole is
 * taken for. @param plain id of the technique that has no sign of its own
 */
export function holesWriter(style: keyof typeof HOLES_WRITTEN, plain = 'plain') {
  return (ways: readonly (HoleWay & { readonly air: Air })[]): string | undefined => {
    const [first] = ways;
    const isPlain = ways.every(({ technique, air }) => technique === plain && air === first!.air);
    const fits = style === 'words' ? ways.length > 1 : ways.length >= 3 && ways.length <= 5;
    const holes = ways.map(({ hole }) => hole).sort((a, b) => a - b);
    if (!first || !isPlain || !fits || (style !== 'words' && holes.some((hole) => hole > 9)))
      return undefined;
    return HOLES_WRITTEN[style](holes.join(style === 'words' ? ' ' : ''), first.air);
  };
}

/** One mouth covers neighbouring holes in one breath. */
export function holesApart(low: FingeredWay<HoleWay>, high: FingeredWay<HoleWay>): Clash | undefined {
  if (low.way.air !== high.way.air) return { reason: 'air', text: 'one breath cannot blow and draw' };
  if (low.way.hole === high.way.hole)
    return { reason: 'place', text: `hole ${low.way.hole} sounds one note at a time` };
  if (Math.abs(low.way.hole - high.way.hole) >= MOUTH)
    return {
      reason: 'span',
      text: `holes ${low.way.hole} and ${high.way.hole} are too far apart for one mouth`,
    };
  return undefined;
}

/** The tongue blocks what lies between two groups of holes, but not two gaps at once. */
export function tongueClash(hold: Hold<HoleWay>): Clash | undefined {
  const { holes, gaps } = mouthOf(hold);
  if (gaps.length <= 1) return undefined;
  return { reason: 'between', text: `the tongue cannot leave only holes ${holes.join(', ')} open` };
}

/** Holes sounded, rising, and how many are blocked in each gap between them. */
function mouthOf(hold: Hold<HoleWay>) {
  const holes = hold.map(({ way }) => way.hole).sort((a, b) => a - b);
  const gaps = holes
    .slice(1)
    .map((hole, i) => hole - holes[i]! - 1)
    .filter((gap) => gap > 0);
  return { holes, gaps };
}

/** Breath that turns in under about 120 ms is felt much more. */
export const BREATH_IN_HASTE: Haste = Object.freeze({ within: 0.3, atLeisure: 1, atOnce: 4 });

export const breathTurns: EffortTerm<unknown, HoleWay> = Object.freeze({
  id: 'turns',
  label: 'turns of breath',
  about: 'Changes between blow and draw.',
  tally: 'sum',
  weight: 1,
  between: (from: Hold<HoleWay>, to: Hold<HoleWay>) => (airOf(from) === airOf(to) ? 0 : 1),
});

export const holesJumped: EffortTerm<unknown, HoleWay> = Object.freeze({
  id: 'jumps',
  label: 'holes jumped',
  about: 'Holes passed over between two notes.',
  tally: 'sum',
  weight: 0.6,
  between(from: Hold<HoleWay>, to: Hold<HoleWay>) {
    const before = mouthOf(from).holes;
    const after = mouthOf(to).holes;
    return Math.max(0, after[0]! - before.at(-1)! - 1, before[0]! - after.at(-1)! - 1);
  },
});

export const tongueBlocks: EffortTerm<unknown, HoleWay> = Object.freeze({
  id: 'blocks',
  label: 'holes blocked by the tongue',
  about: 'Octaves and splits: the tongue closes what lies between.',
  tally: 'sum',
  weight: 0.3,
  onHold: (hold: Hold<HoleWay>) => mouthOf(hold).gaps.reduce((sum, gap) => sum + gap, 0),
});

/** Where two ways sound one pitch and a player is used to one of them; a family tells which. */
export const againstHabit = Object.freeze({
  id: 'habit',
  label: 'against your habit',
  about: 'The other one of two equal notes.',
  tally: 'notes',
  weight: 4,
} as const);
