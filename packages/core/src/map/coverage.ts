import type { Way } from '../families/way.ts';
import type { Instrument } from '../instrument/instrument.ts';
import type { Pitch } from '../pitch/pitch.ts';
import type { LineNote } from '../route/line.ts';
import type { Key } from '../scale/scale.ts';

/** How much of what was asked the instrument gives. */
export interface Coverage {
  /** Different pitches of the line that can be had, and how many there are. */
  readonly have: number;
  readonly of: number;
  /** Pitches of the line that hang on a technique an average pupil cannot rely on. */
  readonly hard: readonly { readonly technique: string; readonly label: string; readonly pitches: number }[];
  /** Lowest pitch of every complete octave of the scale on the whole instrument, home to home. */
  readonly octavesFrom: readonly Pitch[];
}

/** @param usable the ways that may be used; all others are ignored */
export function coverageOf(
  instrument: Instrument,
  key: Key,
  line: readonly LineNote[],
  usable: readonly Way[],
): Coverage {
  const { techniques } = instrument.family;
  const rank = new Map(techniques.map((technique, index) => [technique.id, index]));
  const easiest = new Map<Pitch, number>();
  for (const way of usable) {
    const own = rank.get(way.technique)!;
    easiest.set(way.pitch, Math.min(own, easiest.get(way.pitch) ?? own));
  }
  const pitches = [...new Set(line.map((note) => note.pitch))];
  const hard = techniques.flatMap((technique, index) => {
    if (technique.safe) return [];
    const count = pitches.filter((pitch) => easiest.get(pitch) === index).length;
    return count === 0 ? [] : [{ technique: technique.id, label: technique.label, pitches: count }];
  });
  const complete = (home: Pitch) =>
    easiest.has(home + 12) && key.scale.semitones.every((semitone) => easiest.has(home + semitone));
  const homes = [...easiest.keys()].filter((pitch) => (pitch - key.home) % 12 === 0).sort((a, b) => a - b);
  return {
    have: pitches.filter((p) => easiest.has(p)).length,
    of: pitches.length,
    hard,
    octavesFrom: homes.filter(complete),
  };
}
