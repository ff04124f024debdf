import type { AirStore } from '../families/air.ts';
import { airOf, type PlayedHold } from '../families/way.ts';
import type { Instrument } from '../instrument/instrument.ts';
import { QUARTER } from '../time/ticks.ts';
import { AIR_UNITS, airUses, moveAir, type AirUse } from './airState.ts';

/** How much air there is along a line. */
export interface AirBalance {
  /**
   * After each hold, once before the first, and where air was taken, by quarter notes since the start: of lungs seconds drawn
   * less blown since breath was last taken, of bellows with an air button seconds for which they are open.
   */
  readonly points: readonly { readonly beat: number; readonly balance: number }[];
  readonly most: number;
  readonly least: number;
  /** Seconds in one direction before it is used up; undefined where it is not limited. */
  readonly capacity: number | undefined;
  /** Ids of the notes before which the air button must help, or that begin when the lungs are full or empty. */
  readonly helps: readonly string[];
  /** How the bellows stand as the line begins; undefined where nothing turns them but notes. */
  readonly start: BellowsStart | undefined;
}

export type BellowsStart = 'shut' | 'half open' | 'open';

/** Where along a line air can be had. */
export interface AirPlaces {
  /** Whether breath is taken just before a note. */
  isBreath(noteId: string): boolean;
  /** What it costs to have the air button help just before a note; only ranks. */
  costBefore(noteId: string): number;
}

/** Nothing is known about a line's phrases. */
export const NO_PLACES: AirPlaces = Object.freeze({ isBreath: () => false, costBefore: () => 1 });

const idOf = ({ noteIds }: PlayedHold) => noteIds.at(-1)!;

/** What a line does to the air, in units. */
function usesAlong(line: readonly PlayedHold[], store: AirStore, places: AirPlaces): readonly AirUse[] {
  const onsets = line.map(({ hold, timing }) => ({ pitches: hold.map(({ way }) => way.pitch), timing }));
  return airUses(onsets, store, (i) => line[i]!.noteIds.some((id) => places.isBreath(id)));
}

/** How often along a line there is not enough air, the least there can be. */
export function airShortages(
  { family }: Instrument,
  line: readonly PlayedHold[],
  store: AirStore,
  places: AirPlaces,
): number {
  return shortagesIn(family.airKind!, line, usesAlong(line, store, places)).length;
}

function shortagesIn(
  kind: NonNullable<Instrument['family']['airKind']>,
  line: readonly PlayedHold[],
  uses: readonly AirUse[],
): readonly number[] {
  let state = 0;
  return line.flatMap(({ hold }, i) => {
    const move = moveAir(kind, state, airOf(hold), uses[i]!);
    state = move.state;
    return move.helped ? [i] : [];
  });
}

/** Nothing is blown or drawn. */
const NO_AIR: AirBalance = Object.freeze({
  points: [],
  most: 0,
  least: 0,
  capacity: undefined,
  helps: [],
  start: undefined,
});

/** How much air there is along a line as it is played. @param store undefined where it is not limited */
export function airBalance(
  { family }: Instrument,
  line: readonly PlayedHold[],
  store: AirStore | undefined,
  places: AirPlaces = NO_PLACES,
): AirBalance {
  if (!family.air || !store) return NO_AIR;
  const uses = usesAlong(line, store, places);
  const seconds = line.map(({ hold, timing }) => signed(hold, timing.seconds * usesOf(store, hold)));
  const isButton = family.airKind === 'button';
  const short = shortagesIn(family.airKind!, line, uses);
  const helped = isButton && short.length > 0 ? buttonPlaces(line, uses, places) : short;
  const isHelped = new Set(helped);
  const begins = uses.flatMap(({ isFresh }, i) =>
    i === 0 || isFresh || (isButton && isHelped.has(i)) ? [i] : [],
  );
  const points: { beat: number; balance: number }[] = [];
  let start: BellowsStart | undefined;
  for (const [n, from] of begins.entries()) {
    const stretch = line.slice(from, begins[n + 1]);
    const changes = seconds.slice(from, begins[n + 1]);
    let balance = isButton ? opening(changes, store.seconds) : 0;
    if (isButton && n === 0) start = startWords(balance / store.seconds);
    points.push({ beat: (stretch[0]?.onset ?? 0) / QUARTER, balance });
    for (const [i, { onset, length }] of stretch.entries()) {
      balance += changes[i]!;
      points.push({ beat: (onset + length) / QUARTER, balance });
    }
  }
  const balances = points.map(({ balance }) => balance);
  return {
    points,
    most: Math.max(0, ...balances),
    least: Math.min(0, ...balances),
    capacity: store.seconds,
    helps: helped.map((i) => idOf(line[i]!)),
    start,
  };
}

const usesOf = ({ uses }: AirStore, hold: PlayedHold['hold']) => uses(hold.map(({ way }) => way.pitch));

const signed = (hold: PlayedHold['hold'], seconds: number) =>
  airOf(hold) === undefined ? 0 : airOf(hold) === 'in' ? seconds : -seconds;

/** Seconds for which bellows stand open before some changes: as shut as can be before a pull, as open before a push. */
function opening(changes: readonly number[], most: number): number {
  let [sum, low, high] = [0, 0, 0];
  for (const change of changes) {
    sum += change;
    [low, high] = [Math.min(low, sum), Math.max(high, sum)];
  }
  const first = changes.find((change) => change !== 0) ?? 0;
  return Math.max(0, Math.min(most, first < 0 ? most - high : -low));
}

/** Parts of the whole by which bellows count as shut, and as open. */
const NEARLY_SHUT = 0.2;

function startWords(part: number): BellowsStart {
  if (part <= NEARLY_SHUT) return 'shut';
  return part >= 1 - NEARLY_SHUT ? 'open' : 'half open';
}

/**
 * Holds before which the air button helps: as few as can be, and of those where it costs least. A stretch between two helps
 * goes no farther than the bellows do, but for a single note that is longer than they last.
 */
function buttonPlaces(
  line: readonly PlayedHold[],
  uses: readonly AirUse[],
  { costBefore }: AirPlaces,
): readonly number[] {
  const changes = line.map(({ hold }, i) => Math.sign(signed(hold, 1)) * Math.min(AIR_UNITS, uses[i]!.units));
  /** The best way to have come to a help, or a rest, before each hold. */
  const best: { helps: number; cost: number; from: number }[] = [{ helps: 0, cost: 0, from: -1 }];
  for (let end = 1; end <= line.length; end += 1) {
    const isLast = end === line.length;
    const isFree = isLast || uses[end]!.isFresh;
    const price = isFree ? { helps: 0, cost: 0 } : { helps: 1, cost: costBefore(idOf(line[end]!)) };
    let found = { helps: Infinity, cost: Infinity, from: end - 1 };
    let sum = 0;
    let low = 0;
    let high = 0;
    for (let from = end - 1; from >= 0; from -= 1) {
      // Backwards, what lies between the lowest and the highest is the same.
      sum += changes[from]!;
      if (sum < low) low = sum;
      else if (sum > high) high = sum;
      if (high - low > AIR_UNITS && from < end - 1) break;
      const before = best[from]!;
      const helps = before.helps + price.helps;
      const cost = before.cost + price.cost;
      if (helps < found.helps || (helps === found.helps && cost < found.cost)) found = { helps, cost, from };
      if (uses[from]!.isFresh) break;
    }
    best.push(found);
  }
  const places: number[] = [];
  for (let at = best[line.length]?.from ?? 0; at > 0; at = best[at]!.from)
    if (!uses[at]!.isFresh) places.push(at);
  return places.reverse();
}
