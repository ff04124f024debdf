import { notePitchClass, type NoteName } from '../pitch/noteName.ts';
import { pitchClass, type PitchClass } from '../pitch/pitch.ts';
import { expectOk } from '../result.ts';
import { scaleById, SCALES, usualTonic, USUAL_KEYS, type Scale } from './scale.ts';

/** A scale on a home as an answer to “what is this?”. */
export interface Fit {
  readonly scale: Scale;
  readonly tonic: NoteName;
  /** Semitones above home that the scale has and the set has not. */
  readonly lacking: readonly number[];
  /** Semitones above home that the set has and the scale has not. */
  readonly strange: readonly number[];
}

/**
 * Scales in which a set of pitch classes can be heard from a home, best fit first: all of the set in the scale and all
 * of the scale in the set; then scales that hold the set, the fewest notes lacking first; then those it strays from.
 * @param most how far a scale may be off, in notes lacking plus twice the notes strange
 */
export function fitsFrom(set: ReadonlySet<PitchClass>, home: PitchClass, most = 3): readonly Fit[] {
  const above = [...set].map((pc) => pitchClass(pc - home));
  const distance = (fit: Fit) => fit.lacking.length + 2 * fit.strange.length;
  return SCALES.filter((scale) => scale.group !== 'chords' || scale.semitones.length <= set.size)
    .map((scale, order) => {
      const fit: Fit = {
        scale,
        tonic: usualTonic(scale, home),
        lacking: scale.semitones.filter((s) => !above.includes(s)),
        strange: above.filter((s) => !scale.semitones.includes(s)).sort((a, b) => a - b),
      };
      return { fit, order };
    })
    .filter(({ fit }) => distance(fit) <= most)
    .sort((a, b) => distance(a.fit) - distance(b.fit) || a.order - b.order)
    .map(({ fit }) => fit);
}

/** The same for every note of the set as home, best fit first, the homes in the order given among equals. */
export function fitsOf(set: ReadonlySet<PitchClass>, most = 3): readonly Fit[] {
  const distance = (fit: Fit) => fit.lacking.length + 2 * fit.strange.length;
  return [...set]
    .flatMap((home) => fitsFrom(set, home, most))
    .map((fit, order) => ({ fit, order }))
    .sort((a, b) => distance(a.fit) - distance(b.fit) || a.order - b.order)
    .map(({ fit }) => fit);
}

const MINOR = expectOk(scaleById('natural-minor'));

/** Major and minor triads that a set holds, by root, each named as its own key is. */
export function triadsIn(
  set: ReadonlySet<PitchClass>,
): readonly { readonly root: NoteName; readonly minor: boolean }[] {
  return USUAL_KEYS.flatMap((usual) => {
    const pc = notePitchClass(usual);
    const has = (semitones: number) => set.has(pitchClass(pc + semitones));
    if (!has(0) || !has(7)) return [];
    const minor = { root: usualTonic(MINOR, pc), minor: true };
    return [...(has(4) ? [{ root: usual, minor: false }] : []), ...(has(3) ? [minor] : [])];
  });
}
