import type { Pitch } from '../pitch/pitch.ts';
import type { RoutingContext } from '../route/context.ts';
import { canSoundTogether } from './underChord.ts';

/** What a chord may be made of: its tones, the most wanted first, each with its pitches. */
export interface Tones {
  readonly bass: Pitch | undefined;
  readonly tones: readonly (readonly Pitch[])[];
}

/** Semitones above the bass around which a chord lies: an octave and a third. */
const ABOVE_BASS = 16;
/** How much a semitone away from there counts, where one from the chord before counts 1. */
const AWAY = 0.3;

/**
 * Puts chords one after the other under a melody: as many tones as are asked for and can be held with what is held, close
 * together, near the chord before, and near the middle of the instrument.
 */
export function chordVoicing(context: RoutingContext) {
  let before: readonly Pitch[] = [];
  /** A tune asks the same again and again. */
  const known = new Map<string, readonly Pitch[]>();
  return (held: readonly Pitch[], { bass, tones }: Tones, most: number): readonly Pitch[] => {
    if (bass === undefined) return [];
    const asked = `${held.join()}/${bass}/${before.join()}/${tones.map((choices) => choices.join()).join(' ')}`;
    const found =
      known.get(asked) ??
      firstHeld(context, held, (count) => ranked(tones.slice(0, count), before, bass + ABOVE_BASS), {
        most: Math.min(most, tones.length),
      });
    known.set(asked, found);
    if (found.length > 0) before = found;
    return found;
  };
}

/** The best voicing that can be held, of as many tones as possible; nothing where not even one can. */
function firstHeld(
  context: RoutingContext,
  held: readonly Pitch[],
  voicings: (count: number) => readonly (readonly Pitch[])[],
  { most }: { readonly most: number },
): readonly Pitch[] {
  for (let count = most; count > 0; count -= 1) {
    const found = voicings(count).find((voicing) => canSoundTogether(context, [...held, ...voicing]));
    if (found) return found;
  }
  return [];
}

/** Every choice of one pitch a tone, rising each, the best first. */
function ranked(
  tones: readonly (readonly Pitch[])[],
  before: readonly Pitch[],
  middle: Pitch,
): readonly (readonly Pitch[])[] {
  let all: readonly (readonly Pitch[])[] = [[]];
  for (const choices of tones)
    all = all.flatMap((chosen) =>
      choices.filter((pitch) => !chosen.includes(pitch)).map((pitch) => [...chosen, pitch]),
    );
  const cost = (voicing: readonly Pitch[]) => {
    const moved = voicing.map((pitch) =>
      before.length === 0 ? 0 : Math.min(...before.map((old) => Math.abs(old - pitch))),
    );
    const away = voicing.map((pitch) => Math.abs(pitch - middle));
    return sum(moved) + AWAY * sum(away) + Math.max(...voicing) - Math.min(...voicing);
  };
  return all
    .map((voicing) => voicing.toSorted((a, b) => a - b))
    .map((voicing) => ({ voicing, cost: cost(voicing) }))
    .sort((a, b) => a.cost - b.cost || a.voicing[0]! - b.voicing[0]!)
    .map(({ voicing }) => voicing);
}

function sum(values: readonly number[]): number {
  return values.reduce((total, value) => total + value, 0);
}
