import type { Timbre } from '@same-song/core/instruments';
import { tick } from '@same-song/core/practice';
import type { ScoreKind } from './scoreKind.ts';
import { voicesOf, type VoiceOptions, type Voices } from './voices.ts';

/** What has the sound of the instrument itself. */
const OWN: readonly ScoreKind[] = ['melody', 'grace', 'voice', 'drone'];

const CHORD: VoiceOptions = {
  source: { type: 'triangle' },
  envelope: { attack: 0.02, decay: 0.6, sustain: 0.35, release: 0.3 },
  volume: -20,
};
const CLICK: VoiceOptions = {
  source: { type: 'samples', samplesOf: tick },
  envelope: { attack: 0.0005, decay: 1, sustain: 1, release: 0.01 },
  volume: -7,
};
const BASS: VoiceOptions = {
  source: { type: 'custom', partials: [1, 0.5, 0.2, 0.08] },
  envelope: { attack: 0.008, decay: 0.4, sustain: 0.4, release: 0.08 },
  volume: -13,
};
const KICK: VoiceOptions = {
  source: { type: 'sine' },
  envelope: { attack: 0.002, decay: 0.09, sustain: 0, release: 0.02 },
  volume: -9,
};
/** Brushes: bursts of noise, shaped so that they neither begin nor end with a crack. */
const BRUSH: VoiceOptions = {
  source: { type: 'noise', above: 4500 },
  envelope: { attack: 0.002, decay: 0.08, sustain: 0, release: 0.03 },
  volume: -18,
};

/** One voice of an instrument's sound. */
export function voiceOf(timbre: Timbre): VoiceOptions {
  return {
    source: { type: 'custom', partials: timbre.partials },
    envelope: {
      attack: timbre.attackMs / 1000,
      decay: timbre.decayMs / 1000,
      sustain: timbre.sustain,
      release: timbre.releaseMs / 1000,
    },
    volume: timbre.sustain > 0 ? -14 : -9,
    trembleCents: timbre.trembleCents,
  };
}

/** Longest stroke of what is struck, in seconds; other parts sound as long as is asked. */
const LONGEST: Partial<Readonly<Record<ScoreKind, number>>> = {
  click: 0.02,
  kick: 0.09,
  snare: 0.14,
  hat: 0.04,
};
/** Share of its length that a note is held, so that two of one pitch are two. */
const HELD = 0.92;

/** The parts of a score, each made when it has something to play. */
export interface Parts {
  /** Times and lengths in seconds, volume from 0 to 1. */
  strike(kind: ScoreKind, hz: number, seconds: number, time: number, volume: number): void;
  end(): void;
}

export function partsOf(context: BaseAudioContext, timbre: Timbre): Parts {
  const made = new Map<VoiceOptions, Voices>();
  const own = voiceOf(timbre);
  const optionsOf = (kind: ScoreKind) => (OWN.includes(kind) ? own : OTHERS[kind]!);
  const voicesFor = (options: VoiceOptions) => {
    const voices = made.get(options) ?? voicesOf(context, options);
    made.set(options, voices);
    return voices;
  };
  return {
    strike(kind, hz, seconds, time, volume) {
      const longest = LONGEST[kind] ?? Infinity;
      const held = seconds > 0 ? Math.min(longest, seconds * HELD) : longest;
      voicesFor(optionsOf(kind)).strike(hz, held, time, volume);
    },
    end: () => made.forEach((voices) => voices.end()),
  };
}

const OTHERS: Partial<Readonly<Record<ScoreKind, VoiceOptions>>> = {
  chord: CHORD,
  click: CLICK,
  bass: BASS,
  kick: KICK,
  snare: BRUSH,
  hat: BRUSH,
};
