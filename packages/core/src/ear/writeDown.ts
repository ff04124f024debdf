import type { Pitch } from '../pitch/pitch.ts';
import { median } from './median.ts';

/** A pitch that was struck on an instrument that nobody has described yet. */
export interface StruckPitch {
  /** Nearest pitch. */
  readonly pitch: Pitch;
  /** Cents above it, from −50 to 50; the middle of all strikes. */
  readonly cents: number;
  /** How often it was struck. */
  readonly times: number;
}

/** Nearer ones are the same tongue struck again, in semitones; a tongue is never tuned so near to another. */
const SAME = 0.4;

/** The pitches of an instrument that is struck place by place, in the order in which each was struck first. */
export function writtenDown(notes: readonly { readonly midi: number }[], a4: number): readonly StruckPitch[] {
  const standard = 12 * Math.log2(a4 / 440);
  const places: number[][] = [];
  for (const { midi } of notes) {
    const own = midi - standard;
    const place = places.find((known) => Math.abs(median(known) - own) < SAME);
    if (place) place.push(own);
    else places.push([own]);
  }
  return places.map((struck): StruckPitch => {
    const sounds = median(struck);
    const pitch = Math.round(sounds);
    return { pitch, cents: Math.round(100 * (sounds - pitch)), times: struck.length };
  });
}
