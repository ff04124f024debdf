import type { Timbre } from '../timbre.ts';

/** Free reeds blown by mouth: bright, with a quick but soft start. Figures chosen by ear. */
export const REED: Timbre = Object.freeze({
  partials: [1, 0.55, 0.42, 0.3, 0.16, 0.1, 0.06],
  attackMs: 30,
  decayMs: 80,
  sustain: 0.85,
  releaseMs: 90,
  trembleCents: 0,
});

/** Free reeds blown by bellows: rounder, steadier. */
export const BELLOWS_REED: Timbre = Object.freeze({
  partials: [1, 0.7, 0.25, 0.28, 0.1, 0.12],
  attackMs: 45,
  decayMs: 60,
  sustain: 0.9,
  releaseMs: 110,
  trembleCents: 0,
});

/** A plucked string on a wooden box. */
export const PLUCKED: Timbre = Object.freeze({
  partials: [1, 0.5, 0.3, 0.18, 0.12, 0.08, 0.05],
  attackMs: 3,
  decayMs: 1400,
  sustain: 0,
  releaseMs: 500,
  trembleCents: 0,
});

/** A struck tongue of steel: nearly pure, long. */
export const STRUCK: Timbre = Object.freeze({
  partials: [1, 0.35, 0.12, 0, 0.03],
  attackMs: 4,
  decayMs: 1900,
  sustain: 0,
  releaseMs: 800,
  trembleCents: 0,
});

/** A column of air at a fipple: nearly pure, with a breathy start. */
export const PIPE: Timbre = Object.freeze({
  partials: [1, 0.22, 0.08, 0.04],
  attackMs: 55,
  decayMs: 40,
  sustain: 0.95,
  releaseMs: 70,
  trembleCents: 8,
});
