import type { Family } from '../families/contract.ts';
import type { Loads } from '../families/effortPart.ts';
import type { Play, Way } from '../families/way.ts';
import type { Instrument } from '../instrument/instrument.ts';
import { costOf } from './effort.ts';
import type { TimedNote } from './line.ts';
import type { ResolvedPreferences } from './preferences.ts';

/**
 * Costs and loads of plays and of steps between them, each worked out once for every kind of moment. One table serves
 * an instrument however it is set for a key: setting changes what a way costs only where it changes its technique.
 */
export interface CostTable {
  /** Numbers of the plays of a way, on the instrument as it is set. */
  numbersOf(way: Way, instrument: Instrument): readonly number[];
  playAt(number: number): Play;
  /** Costs at the moment of a note. */
  at(note: TimedNote): MomentCosts;
  ownLoads(play: number, note: TimedNote): Loads;
  stepLoads(from: number, to: number, note: TimedNote): Loads;
}

export interface MomentCosts {
  own(play: number): number;
  step(from: number, to: number): number;
}

/** Widest square of steps that is laid out, in plays: three megabytes. */
const WIDEST = 640;
/** More plays than any instrument has. */
const PLAYS_LIMIT = 1 << 20;

/** Whether everything costs the same at both notes. */
function isLike(a: TimedNote, b: TimedNote): boolean {
  return a.beats === b.beats && a.since === b.since && a.start % 1 === b.start % 1;
}

export function costTable(family: Family, { weights, habits }: ResolvedPreferences): CostTable {
  /** Each play with the instrument it was first seen on. */
  const plays: { readonly play: Play; readonly on: Instrument }[] = [];
  const numbers = new Map<string, readonly number[]>();
  const moments = new Map<string, MomentCosts>();
  /** Costs of steps, by what of a moment they hang on. */
  const steps = new Map<string, MomentCosts['step']>();
  /** Neighbours in a line are mostly alike. */
  let last: { readonly note: TimedNote; readonly moment: MomentCosts } | undefined;
  const ownLoads = (number: number, note: TimedNote) => {
    const { play, on } = plays[number]!;
    return on.wayLoads(play, note, habits);
  };
  const stepLoads = (from: number, to: number, note: TimedNote) => {
    const { play, on } = plays[to]!;
    return on.stepLoads(plays[from]!.play, play, note, habits);
  };
  const stepCostsAt = (note: TimedNote): MomentCosts['step'] => {
    const width = Math.min(WIDEST, plays.length);
    // A square of numbers for most instruments, a map beyond its width; −1 where a cost is not known yet.
    const square = new Float64Array(width * width).fill(-1);
    const beyond = new Map<number, number>();
    return (from, to) => {
      const inside = from < width && to < width;
      const at = inside ? from * width + to : from * PLAYS_LIMIT + to;
      const known = inside ? square[at]! : (beyond.get(at) ?? -1);
      if (known >= 0) return known;
      const cost = costOf(stepLoads(from, to, note), weights);
      if (inside) square[at] = cost;
      else beyond.set(at, cost);
      return cost;
    };
  };
  const momentOf = (note: TimedNote): MomentCosts => {
    const own: number[] = [];
    const hang = family.stepsHangOn?.(note) ?? '';
    const step = steps.get(hang) ?? stepCostsAt(note);
    steps.set(hang, step);
    return { own: (play) => (own[play] ??= costOf(ownLoads(play, note), weights)), step };
  };
  return {
    numbersOf(way, instrument) {
      const id = `${way.id} ${way.technique}`;
      let known = numbers.get(id);
      if (!known) {
        known = instrument.playsOf(way, habits).map((play) => plays.push({ play, on: instrument }) - 1);
        numbers.set(id, known);
      }
      return known;
    },
    playAt: (number) => plays[number]!.play,
    at(note) {
      if (last && isLike(last.note, note)) return last.moment;
      const kind = `${note.beats} ${note.since} ${note.start % 1}`;
      const moment = moments.get(kind) ?? momentOf(note);
      moments.set(kind, moment);
      last = { note, moment };
      return moment;
    },
    ownLoads,
    stepLoads,
  };
}
