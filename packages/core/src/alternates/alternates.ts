import type { Instrument } from '../instrument/instrument.ts';
import { ownNamer } from '../scale/namer.ts';
import { pitchClass, type Pitch } from '../pitch/pitch.ts';
import type { Way } from '../families/way.ts';
import { AGAINST_CHOICE } from '../families/generalTerms.ts';
import { routingContext, usableWays, type RoutingContext } from '../route/context.ts';
import { evenLine } from '../route/line.ts';
import type { Preferences } from '../route/preferences.ts';
import { routeLine } from '../route/route.ts';
import { MAJOR_STEPS } from '../scale/degree.ts';

/** One way among several for the same pitch. */
export interface Candidate {
  readonly wayId: string;
  readonly words: string;
  readonly tab: string;
  /** What it asks between its neighbours, in counts as a player counts. */
  readonly moves: readonly { readonly label: string; readonly count: number }[];
  /** Weighted sum over the move to it and from it. */
  readonly total: number;
  /** Measured cents, or undefined when it was not measured. */
  readonly measured: number | undefined;
  readonly recommended: boolean;
  readonly chosen: boolean;
}

/** A pitch that can be had in several ways, side by side. */
export interface AlternateRow {
  readonly pitch: Pitch;
  readonly note: string;
  /** Names of the notes before and after between which the moves are counted. */
  readonly between: readonly string[];
  readonly candidates: readonly Candidate[];
}

/**
 * Every pitch with more than one way, each way judged on the move from the note below it and back, notes of the
 * instrument's own major scale. The recommendation is the cheapest with what was measured taken into account, and
 * leaves the choice already made aside.
 * @param least how many ways a pitch must have to be listed
 */
export function alternatesOf(
  instrument: Instrument,
  preferences: Preferences,
  dialect: string,
  least = 2,
): readonly AlternateRow[] {
  const context = routingContext(instrument, preferences);
  const byPitch = new Map<Pitch, Way[]>();
  for (const way of usableWays(instrument, context.chosen))
    byPitch.set(way.pitch, [...(byPitch.get(way.pitch) ?? []), way]);
  const call = ownNamer(instrument.home, instrument.ownScale).withOctave;
  const inMajor = (pitch: Pitch) => MAJOR_STEPS.includes(pitchClass(pitch - instrument.home));
  const pitches = [...byPitch.keys()].sort((a, b) => a - b);
  return pitches.flatMap((pitch): AlternateRow[] => {
    const ways = byPitch.get(pitch)!;
    if (ways.length < least) return [];
    const below = [...pitches].reverse().find((p) => p < pitch && inMajor(p));
    const above = pitches.find((p) => p > pitch && inMajor(p));
    const neighbours = [below ?? above, above ?? below].filter((p) => p !== undefined);
    const judged = ways.map((way) => judge(context, way, neighbours, dialect));
    const best = Math.min(...judged.map((candidate) => candidate.ranked));
    const first = judged.findIndex((candidate) => candidate.ranked <= best + 1e-9);
    return [
      {
        pitch,
        note: call(pitch),
        between: neighbours.map(call),
        candidates: judged.map(({ ranked: _, ...candidate }, i) => ({
          ...candidate,
          recommended: i === first,
        })),
      },
    ];
  });
}

/** The line neighbour – way – neighbour, with the way pinned. */
function judge(
  context: RoutingContext,
  way: Way,
  neighbours: readonly Pitch[],
  dialect: string,
): Candidate & { readonly ranked: number } {
  const [before, after] = neighbours;
  const pitches = before === undefined ? [way.pitch] : [before, way.pitch, after!];
  const line = evenLine(pitches);
  const note = line[before === undefined ? 0 : 1]!;
  const { instrument } = context;
  const { effort } = routeLine(context, line, { pins: [{ noteId: note.id, wayId: way.id }] });
  const choice = effort.terms.find((term) => term.id === AGAINST_CHOICE.id)!;
  return {
    wayId: way.id,
    words: way.words,
    tab: instrument.tab(way, dialect),
    moves: effort.terms
      .filter((term) => term.count > 0 && term.id !== choice.id)
      .map(({ label, count }) => ({ label, count })),
    total: effort.total,
    measured: instrument.spec.measured[way.id]?.cents,
    recommended: false,
    chosen: instrument.spec.choices.includes(way.id),
    ranked: effort.total - choice.cost,
  };
}
