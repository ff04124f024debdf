import type { Pitch } from '../pitch/pitch.ts';
import type { NoteTiming } from '../time/noteTiming.ts';
import type { Ticks } from '../time/ticks.ts';

/** Breath or bellows: out (blow, push) or in (draw, pull). */
export type Air = 'out' | 'in';

/** How a family's players name the two directions of air, and what fills. */
export interface AirNames {
  readonly out: string;
  readonly in: string;
  /** Where the air gathers: `lungs`, `bellows`. */
  readonly store: string;
}

/** Which side of the line's axis a note stands on. */
export type Side = 'above' | 'level' | 'below';

/** What the sides of the axis mean to a family's players: directions of air, hands, registers or strings. */
export type SideNames = Readonly<Record<Side, string>>;

/** One physical way to sound one pitch. */
export interface Way {
  /** Stable within the family, e.g. `3d2` for hole 3 draw bent two semitones. */
  readonly id: string;
  readonly pitch: Pitch;
  /** Cents by which the layout itself places it off its pitch; 0 when left out. */
  readonly cents?: number;
  readonly technique: string;
  /** The hole, button, string … it is played on, as the player names it. */
  readonly place: string;
  readonly air: Air | undefined;
  /** In words, e.g. `3 draw bent 2`. */
  readonly words: string;
  /** False when this instrument or its player cannot do it. */
  readonly able: boolean;
  /** What it then needs, after “needs”, where that is not its technique: `a higher ceiling than B5`. */
  readonly needs?: string;
  /**
   * Id of an easier way to the same pitch: this one is redundant while that one can be used, and is then never chosen
   * freely. Undefined for every way that is worth choosing by itself.
   */
  readonly redundantTo: string | undefined;
}

/** Something the player hears but no pitch to plan with, such as a reed that only dips by under a semitone. */
export interface Mark {
  readonly id: string;
  readonly pitch: Pitch;
  /** Deviation at its end, in cents. */
  readonly cents: number;
  readonly words: string;
}

/** The class a way belongs to, from the easiest to the hardest in a family's list. */
export interface Technique {
  readonly id: string;
  /** Plural, for headings: `bends`. */
  readonly label: string;
  /** With article, after “needs”: `an overblow`. */
  readonly needs: string;
  /** True when an average pupil can rely on it. */
  readonly safe: boolean;
  /** Its pitch is the player's own to find, not the reed's, the fret's or the string's; what glides is so too. */
  readonly own?: true;
  /** Its pitch can be held anywhere up to a semitone higher, as a bend can that is not bent all the way. */
  readonly glides?: true;
  /** Said when a route uses it. */
  readonly caution?: string;
}

/** A hand or finger that can play a way, where players choose among several. */
export interface Fingering {
  readonly id: string;
  /** Written beside the note: `R`, `2`. */
  readonly short: string;
  readonly words: string;
}

/** A way and the finger or hand that plays it; undefined where there is nothing to choose. */
export interface FingeredWay<W extends Way = Way> {
  readonly way: W;
  readonly fingering: string | undefined;
  /** It began before and goes on sounding: nothing is done for it anew. */
  readonly goesOn?: true;
}

/** What is sounded at once: mostly one way, in a chord several, from low to high. Never empty. */
export type Hold<W extends Way = Way> = readonly FingeredWay<W>[];

/** The direction of air in which a hold sounds; undefined where there is none. */
export function airOf(hold: Hold): Air | undefined {
  return hold[0]!.way.air;
}

/** Why ways cannot sound together. */
export interface Clash {
  /**
   * `air`: they need different directions; `place`: one hole, button or string cannot sound both; `finger`: one finger
   * or hand cannot do both; `span`: they lie too far apart; `between`: what lies between them would sound too;
   * `technique`: one of them only sounds alone; `voices`: the instrument sounds fewer notes at once.
   */
  readonly reason: 'air' | 'place' | 'finger' | 'span' | 'between' | 'technique' | 'voices';
  /** As a phrase: `one breath cannot blow and draw`. */
  readonly text: string;
}

/** A hold of a line as it is played. */
export interface PlayedHold<W extends Way = Way> {
  /** Ids of the notes it sounds, in the order of its ways; the melody last. */
  readonly noteIds: readonly string[];
  readonly hold: Hold<W>;
  readonly onset: Ticks;
  /** Of its longest note. */
  readonly length: Ticks;
  readonly timing: NoteTiming;
  /** What the line before it left behind, as the family's `carry` wrote it. */
  readonly carried: string;
}

/** Something that is set otherwise before a line or during it, such as a lever. Times are ticks since its start. */
export interface SettingChange {
  /** What is set: `F4`. */
  readonly row: string;
  readonly to: 'up' | 'down';
  /** The note that needs it, and when it begins. */
  readonly noteId: string;
  readonly onset: Ticks;
  /** From when on it can be done; undefined where it is done before the line begins. */
  readonly from: Ticks | undefined;
  /** The latest time in which the hand that does it has a beat to spare; undefined where there is none. */
  readonly free: { readonly from: Ticks; readonly to: Ticks } | undefined;
  /** `left hand`. */
  readonly hand: string;
}

/** Something to do at a note of the line. */
export interface Remark {
  readonly noteId: string;
  /** A word or two for beside the note. */
  readonly mark: string;
  /** A whole sentence. */
  readonly text: string;
  /** True for what happens at every note, such as the pick's direction: shown beside it, not listed. */
  readonly routine?: boolean;
  /** True for what `changes` of the instrument tells more of. */
  readonly isChange?: boolean;
}
