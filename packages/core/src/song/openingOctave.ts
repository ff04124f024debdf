import { keyOfSongKey } from './songKey.ts';
import type { Instrument } from '../instrument/instrument.ts';
import { routingContext, type RoutingContext } from '../route/context.ts';
import type { LineNote } from '../route/line.ts';
import { routeLine } from '../route/route.ts';
import type { Counted } from '../time/noteTiming.ts';
import type { ArrangementPlan, PlacedPlan } from './arrangement.ts';
import { movedTo } from './inMode.ts';
import type { Song } from './song.ts';
import { countingOfSong, melodyLine } from './songLine.ts';

/** Octaves in which a song is looked for, in semitones: where it is written first, then the nearest. */
export const OCTAVES: readonly number[] = Object.freeze([0, -12, 12, -24, 24, -36, 36]);

/** How many notes of a line an instrument lacks when the line is moved by so many semitones. */
export function missingWhenMoved(
  context: RoutingContext,
  line: readonly LineNote[],
  semitones: number,
): number {
  return line.filter(({ pitch }) => !context.has(pitch + semitones)).length;
}

/** A line moved by semitones. */
export function movedLine(line: readonly LineNote[], semitones: number): readonly LineNote[] {
  return line.map((note) => ({ ...note, pitch: note.pitch + semitones }));
}

/**
 * The octave in which a song opens where nobody chose one, in semitones: a multiple of 12. The one with fewest missing
 * notes, as written first among equals, then the one of less effort, then the nearer one. Music for a whistle, for
 * example, is written an octave below its sound, so that it opens at 12.
 * @param line the melody as it is written, in the key for which the context's instrument is set
 */
export function openingOctave(context: RoutingContext, line: readonly LineNote[], metre: Counted): number {
  const missing = OCTAVES.map((octave) => missingWhenMoved(context, line, octave));
  const fewest = Math.min(...missing);
  const best = OCTAVES.filter((_, i) => missing[i] === fewest);
  if (best.length === 1 || best[0] === 0) return best[0]!;
  const effortAt = (octave: number) => routeLine(context, movedLine(line, octave), { metre }).effort.total;
  const efforts = best.map(effortAt);
  return best[efforts.indexOf(Math.min(...efforts))]!;
}

/** The whole tune moved by an octave, where that saves notes that are missing. */
export interface OctaveOffer {
  /** Semitones from where the song is played now. */
  readonly by: number;
  /** How many notes fewer are missing there; above 0. */
  readonly saves: number;
}

/** Octaves to which a whole tune could be moved to lack fewer notes, those that save most first. */
export function octaveOffers(context: RoutingContext, line: readonly LineNote[]): readonly OctaveOffer[] {
  const here = missingWhenMoved(context, line, 0);
  if (here === 0) return [];
  return OCTAVES.map((by): OctaveOffer => ({ by, saves: here - missingWhenMoved(context, line, by) }))
    .filter(({ saves }) => saves > 0)
    .sort((a, b) => b.saves - a.saves);
}

/**
 * A plan with its octave settled, and the instrument as it is set for the key in which the song is then played. What was
 * decided about single notes does not move the whole.
 */
export function placed(
  base: Instrument,
  written: Song,
  plan: ArrangementPlan,
): { readonly plan: PlacedPlan; readonly context: RoutingContext } {
  const moved = movedTo(written, plan.transpose ?? 0, plan.mode);
  const context = routingContext(base.forKey(keyOfSongKey(moved.keys[0]!)), plan.preferences);
  const transpose = plan.transpose ?? openingOctave(context, melodyLine(moved), countingOfSong(moved));
  return { plan: { ...plan, transpose }, context };
}
