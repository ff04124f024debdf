import type { Haste } from '../../time/noteTiming.ts';
import type { EffortTerm } from '../effortTerm.ts';
import type { ChordSpelling } from './readLoosely.ts';
import { airOf, type Clash, type FingeredWay, type Hold, type Way } from '../way.ts';

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
]);

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
