import type { Pitch } from '../pitch/pitch.ts';

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
  /** Id of an easier way to the same pitch, for techniques that are only worth it when they add a pitch. */
  readonly duplicateOf: string | undefined;
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
  /** Said when a route uses it. */
  readonly caution?: string;
}

/** A hand or finger that can play a way, where players choose between several. */
export interface Grip {
  readonly id: string;
  /** Written beside the note: `R`, `2`. */
  readonly short: string;
  readonly words: string;
}

/** A way and the grip it is played with; undefined where there is nothing to choose. */
export interface Play<W extends Way = Way> {
  readonly way: W;
  readonly grip: string | undefined;
}

/** When a note sounds. Loads may depend on `start` only through its place within the beat. */
export interface Moment {
  /** Length in beats. */
  readonly beats: number;
  /** Beats since the line's start. */
  readonly start: number;
  /** Beats since the note before began; 0 for the first. */
  readonly since: number;
}

/** A note of a line as it is played. */
export interface PlayedNote<W extends Way = Way> extends Play<W> {
  /** Index in the line. */
  readonly index: number;
  readonly beats: number;
  readonly start: number;
}

/** Something to do at a note of the line. */
export interface Remark {
  readonly index: number;
  /** A word or two for beside the note. */
  readonly mark: string;
  /** A whole sentence. */
  readonly text: string;
  /** True for what happens at every note, such as the pick's direction: shown beside it, not listed. */
  readonly routine?: boolean;
}
