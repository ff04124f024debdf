import type { Way } from '../../families/way.ts';
import { notePitchClass, noteText } from '../../pitch/noteName.ts';
import { frequency, type Pitch } from '../../pitch/pitch.ts';
import { usableWays } from '../../route/context.ts';
import { CHROMATIC_DEGREE_NAMES } from '../../scale/degree.ts';
import { namer } from '../../scale/namer.ts';
import { aboveHome } from '../../scale/scale.ts';
import type { DrillContext } from './drill.ts';

/** The easiest ways of the scale, since what is asked is where notes lie, not what can be forced. */
export function waysInKey({ instrument, key }: DrillContext) {
  const name = namer(key);
  const usable = usableWays(instrument).filter(({ redundantTo }) => redundantTo === undefined);
  const ways = usable.filter(({ pitch }) => key.scale.semitones.includes(aboveHome(key, pitch)));
  const words = new Map(
    ways.map((way) => [
      way.id,
      instrument.tab(way, instrument.family.dialects[0]!.id, name.spelled(way.pitch)),
    ]),
  );
  return {
    key,
    ways,
    name,
    words,
    home: noteText(key.tonic),
    degreeOf: (pitch: Pitch) => CHROMATIC_DEGREE_NAMES[aboveHome(key, pitch)]!,
  };
}

/** Home and pitches to be heard. */
export function audible({ instrument, key }: DrillContext) {
  return {
    key,
    /** Home in the octave round middle C, where every ear hears well. */
    low: 60 + notePitchClass(key.tonic),
    hz: (pitch: Pitch) => frequency(pitch, instrument.spec.a4),
    names: key.scale.semitones.map((semitone) => CHROMATIC_DEGREE_NAMES[semitone]!),
  };
}

/** Ways by the pitch they give, in the order of the first of each. */
export function byPitch(
  ways: readonly Pick<Way, 'id' | 'pitch'>[],
): readonly (readonly [Pitch, readonly Pick<Way, 'id'>[]])[] {
  const of = new Map<Pitch, Pick<Way, 'id'>[]>();
  for (const way of ways) of.set(way.pitch, [...(of.get(way.pitch) ?? []), way]);
  return [...of];
}
