import type { Haste, NoteTiming } from '../time/noteTiming.ts';
import type { FingeredWay, Hold, Way } from './way.ts';

/** Id, label, explanation and default weight of a term of the effort: all of it but its cost functions. */
export interface TermInfo {
  readonly id: string;
  readonly label: string;
  /** What it means to the player, as a sentence. */
  readonly about: string;
  /** `notes`: the figure shown counts the ways and holds it falls on; `sum`: it adds up what it costs. */
  readonly tally: 'notes' | 'sum';
  /** Weight where a preset names none. */
  readonly weight: number;
}

/** What a term may look at besides the ways themselves. */
export interface Circumstances<Layout = unknown> {
  readonly layout: Layout;
  readonly options: ChosenOptions;
  /** Only what the term says it `feels` may be used. */
  readonly timing: NoteTiming;
  /** What the line before left behind, as the family's `carry` wrote it. */
  readonly carried: string;
}

/**
 * One part of the effort that a player can feel. Costs are finite and not negative, before weighting.
 * For example a turn of breath: `between: (from, to) => (airOf(from) === airOf(to) ? 0 : 1)`.
 */
export interface EffortTerm<Layout = unknown, W extends Way = Way> extends TermInfo {
  /** What of a note's timing its costs depend on; nothing when left out. */
  readonly feels?: readonly (keyof NoteTiming)[];
  /**
   * How it is felt in haste: what going on costs by the time since the note before began, what sounding costs by how
   * long it lasts. As costly at any speed when left out.
   */
  readonly haste?: Haste;
  /** Of sounding one way, whatever comes before and sounds along. */
  onWay?(way: FingeredWay<W>, at: Circumstances<Layout>): number;
  /** Of a whole hold, one way or several, beyond what each way costs by itself. */
  onHold?(hold: Hold<W>, at: Circumstances<Layout>): number;
  /** Of going from one hold to the next. */
  between?(from: Hold<W>, to: Hold<W>, at: Circumstances<Layout>): number;
  /** Of beginning a line; nothing has been left behind yet. */
  atStart?(hold: Hold<W>, at: Circumstances<Layout>): number;
}

/** A choice of school, such as which of two equal ways is preferred. */
export interface PlayingOption {
  readonly id: string;
  readonly label: string;
  /** The first choice is the default. */
  readonly options: readonly { readonly id: string; readonly label: string }[];
}

/** Chosen playing options by id, those left out at their default. */
export type ChosenOptions = Readonly<Record<string, string>>;

/** Named weights by term; `avoid` lists techniques that are not used at all. */
export interface PreferencePreset {
  readonly id: string;
  /** Fits after “with” in the sentence: `smoothest air`. */
  readonly label: string;
  readonly about: string;
  /** Weights that differ from the terms' own. */
  readonly weights: Readonly<Record<string, number>>;
  readonly avoid: readonly string[];
  /** Playing options that belong to the school; the user's own choice goes before. */
  readonly playingOptions?: ChosenOptions;
  /** True when the preset is about using everything the instrument has. */
  readonly wholeRange?: boolean;
}

/** The preset that every family begins with: each term at its own weight. */
export const EVEN_HAND: PreferencePreset = Object.freeze({
  id: 'even',
  label: 'an even hand',
  about: 'Everything counts a little.',
  weights: {},
  avoid: [],
});
