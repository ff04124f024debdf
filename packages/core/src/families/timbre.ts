/** How a family sounds, as a few figures that any synthesiser understands. */
export interface Timbre {
  /** Strength of the partials, from the fundamental up; the first is 1. */
  readonly partials: readonly number[];
  /** Envelope in ms, and the level it holds, 0 to 1; 0 for what is plucked or struck. */
  readonly attackMs: number;
  readonly decayMs: number;
  readonly sustain: number;
  readonly releaseMs: number;
  /** How far the pitch trembles, in cents; 0 for none. */
  readonly trembleCents: number;
}
