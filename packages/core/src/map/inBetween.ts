import type { Way } from '../families/way.ts';
import type { Instrument } from '../instrument/instrument.ts';
import type { Pitch } from '../pitch/pitch.ts';
import type { Namer } from '../scale/namer.ts';
import { aboveHome, type Key } from '../scale/scale.ts';

/** What a way makes of a note that is meant to lie between two keys. */
export interface InBetween {
  /** Cents above the way's pitch at which it is aimed; 0 where the way cannot be held higher. */
  readonly cents: number;
  /** `Hold it between B♭4 and B4, anywhere up to 100 cents above B♭4.` */
  readonly text: string;
}

/** The middle of a semitone in cents: where a note that lies in between is aimed. */
const AIM = 50;

/** Undefined for notes that lie on their key. */
export function inBetween(
  { family }: Instrument,
  key: Key,
  pitch: Pitch,
  way: Way | undefined,
  { withOctave }: Namer,
): InBetween | undefined {
  if (!way || !key.degrees[aboveHome(key, pitch)]!.between) return undefined;
  const [low, high] = [withOctave(pitch), withOctave(pitch + 1)];
  const glides = family.techniques.some((technique) => technique.id === way.technique && technique.glides);
  return glides
    ? { cents: AIM, text: `Hold it between ${low} and ${high}, anywhere up to 100 cents above ${low}.` }
    : { cents: 0, text: `Meant to lie between ${low} and ${high}; this way gives ${low}, its lower edge.` };
}
