import type { AirKind, AirStore } from '../families/air.ts';
import type { Air } from '../families/way.ts';
import type { Pitch } from '../pitch/pitch.ts';
import type { NoteTiming } from '../time/noteTiming.ts';

/** What one onset does to the air, as a whole number of units so that the states of a line stay few. */
export interface AirUse {
  readonly units: number;
  /** Before it air can be had for nothing: there is a rest, or breath is taken. */
  readonly isFresh: boolean;
}

/** Units of a whole store: half a second of ten. */
export const AIR_UNITS = 20;

/** Silence of so many seconds is enough to have all air back. Source: a quick breath, or a press of the air button. */
export const REST_SECONDS = 0.4;

/**
 * Units of each onset of a line. What is over goes on to the next, so that sums along the line are right to half a unit.
 * @param refreshed onsets before which breath is taken
 */
export function airUses(
  onsets: readonly { readonly pitches: readonly Pitch[]; readonly timing: NoteTiming }[],
  { seconds: most, uses }: AirStore,
  refreshed: (onset: number) => boolean,
): readonly AirUse[] {
  let used = 0;
  const units = () => Math.round((used / most) * AIR_UNITS);
  return onsets.map(({ pitches, timing }, i) => {
    const before = units();
    used += timing.seconds * uses(pitches);
    return { units: units() - before, isFresh: timing.rest >= REST_SECONDS || refreshed(i) };
  });
}

/** A change of the air: the state after it, and whether there was not enough. */
export interface AirMove {
  readonly state: number;
  readonly helped: boolean;
}

/** More than any state, to either side of 0. */
export const AIR_STATES = 2 ** 11;

/**
 * One onset more. The state is a number: 0 where all air can be had.
 *
 * Of bellows with an air button it is by how much they have been farther shut and farther open since air was last let in or
 * out; where they stood at first is settled afterwards, so that a line may begin shut, open or between. If both together are
 * more than the store, the button has helped just before.
 *
 * Of lungs it is for how long, drawn above 0 and blown below, one direction has lasted: the other one begins anew. What is
 * begun with full or empty lungs is not enough.
 */
export function moveAir(
  kind: AirKind,
  state: number,
  air: Air | undefined,
  { units, isFresh }: AirUse,
): AirMove {
  const before = isFresh ? 0 : state;
  if (air === undefined) return { state: before, helped: false };
  return kind === 'lungs' ? moveLungs(before, air, units) : moveBellows(before, air, units);
}

function moveLungs(state: number, air: Air, units: number): AirMove {
  const sign = air === 'in' ? 1 : -1;
  const lasted = Math.max(0, sign * state);
  return { state: sign * Math.min(AIR_UNITS, lasted + units), helped: lasted >= AIR_UNITS };
}

const SPAN = AIR_UNITS + 1;

function moveBellows(state: number, air: Air, units: number): AirMove {
  const [shut, open] = [Math.floor(state / SPAN), state % SPAN];
  const change = Math.min(units, AIR_UNITS);
  const [farther, nearer] = air === 'in' ? [shut + change, open - change] : [open + change, shut - change];
  const behind = Math.max(0, nearer);
  const helped = farther + behind > AIR_UNITS;
  const [away, left] = helped ? [change, 0] : [farther, behind];
  return { state: air === 'in' ? away * SPAN + left : left * SPAN + away, helped };
}
