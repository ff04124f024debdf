import type { Way } from '../families/way.ts';
import type { Instrument } from '../instrument/instrument.ts';
import { frequency } from '../pitch/pitch.ts';
import type { HearOptions } from './hear.ts';
import { midiOf, PITCH_TOLERANCE } from './listening.ts';

/** A way that may have made what was heard. */
export interface Meant {
  readonly way: Way;
  /** Cents above where it is tuned; below where negative. */
  readonly cents: number;
}

/**
 * Where a way sounds on its instrument, in semitones with cents as a fraction, 69 for an A of 440 Hz: a reed or a string as
 * it was measured, a bend where it ought to be.
 */
export function soundsAt(instrument: Instrument, way: Way): number {
  return isPlayersOwn(instrument, way)
    ? tunedAt(instrument, way)
    : midiOf(frequency(way.pitch, instrument.spec.a4, instrument.centsOf(way)));
}

/** Where a way ought to sound, whatever was measured: as its layout has it. In semitones as above. */
export function tunedAt({ spec: { a4 } }: Instrument, { pitch, cents }: Way): number {
  return midiOf(frequency(pitch, a4, cents ?? 0));
}

/**
 * Cents by which what lies around a way is off, below and above it: what a bend is judged against where it shall fit its
 * reeds and not a perfect scale. 0 for a way whose pitch is no player's own, and where nothing was measured.
 */
export function centsAround(instrument: Instrument, way: Way): number {
  if (!isPlayersOwn(instrument, way)) return 0;
  const fixed = instrument.ways
    .filter((one) => !isPlayersOwn(instrument, one) && instrument.spec.measured[one.id] !== undefined)
    .sort((a, b) => a.pitch - b.pitch);
  const around = [
    fixed.findLast(({ pitch }) => pitch <= way.pitch),
    fixed.find(({ pitch }) => pitch >= way.pitch),
  ].flatMap((one) => (one ? [instrument.centsOf(one)] : []));
  return around.length === 0 ? 0 : around.reduce((sum, cents) => sum + cents, 0) / around.length;
}

/**
 * What an ear must know of an instrument: its pitches, and whether they ring on.
 * @param played ids of the ways of what shall be heard, where that is known: a string that drones along is none of it
 */
export function earFor(instrument: Instrument, played?: readonly string[]): Required<HearOptions> {
  const line = new Set(played);
  const own = new Set(instrument.ways.filter(({ id }) => line.has(id)).map(({ pitch }) => pitch));
  const drones = new Set(played && instrument.drones.filter((pitch) => !own.has(pitch)));
  const pitches = instrument.ways
    .filter(({ pitch }) => !drones.has(pitch))
    .map((way) => soundsAt(instrument, way));
  const candidates = [...new Set(pitches.map((pitch) => Math.round(100 * pitch)))].sort((a, b) => a - b);
  return {
    candidates: candidates.map((cents) => cents / 100),
    struck: instrument.family.timbre.sustain === 0,
  };
}

/**
 * The ways that probably made a pitch: those within reach of it, the nearest first; of those that are as near the one
 * that is easier. @param midi semitones, cents as a fraction
 */
export function waysMeant(instrument: Instrument, midi: number): readonly Meant[] {
  const order = instrument.family.techniques.map(({ id }) => id);
  const ease = ({ way }: Meant) =>
    order.indexOf(way.technique) + (way.able ? 0 : 100) + (way.redundantTo === undefined ? 0 : 50);
  return instrument.ways
    .map((way): Meant => ({ way, cents: 100 * (midi - soundsAt(instrument, way)) }))
    .filter(({ cents }) => Math.abs(cents) <= 100 * PITCH_TOLERANCE)
    .sort((a, b) => {
      const nearer = Math.abs(a.cents) - Math.abs(b.cents);
      return Math.abs(nearer) > 1 ? nearer : ease(a) - ease(b);
    });
}

/** Whether a way's pitch is the player's own to find, as a bend is: not the reed's, the fret's or the string's. */
export function isPlayersOwn({ family }: Instrument, { technique }: Way): boolean {
  const found = family.techniques.find(({ id }) => id === technique);
  return found?.glides === true || found?.own === true;
}

/** How well a pitch is met. Source: in tune for learners within 10 cents, good within 5, a held bend within 15. */
export type Tuned = 'good' | 'in tune' | 'sharp' | 'flat';

/** @param bent the pitch is the player's own to find, as a bend is */
export function tuned(cents: number, bent = false): Tuned {
  const off = Math.abs(cents);
  if (off <= 5) return 'good';
  if (off <= (bent ? 15 : 10)) return 'in tune';
  return cents > 0 ? 'sharp' : 'flat';
}

/** `14 cents sharp`, `in tune, 6 cents flat`, `right in tune`. */
export function centsWords(cents: number, bent = false): string {
  const off = Math.round(Math.abs(cents));
  const side = cents > 0 ? 'sharp' : 'flat';
  const far = `${off} ${off === 1 ? 'cent' : 'cents'} ${side}`;
  const how = tuned(cents, bent);
  if (how === 'good') return off === 0 ? 'right in tune' : `right in tune, ${far}`;
  return how === 'in tune' ? `in tune, ${far}` : far;
}
