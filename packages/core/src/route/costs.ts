import type { Loads } from '../families/effortPart.ts';
import type { Play } from '../families/way.ts';
import type { Instrument } from '../instrument/instrument.ts';
import { costOf } from './effort.ts';
import type { TimedNote } from './line.ts';
import type { ResolvedPreferences } from './preferences.ts';

/** Costs and loads of plays and of steps between them, each worked out once for every kind of moment. */
export interface CostTable {
  /** Number of a play; equal for equal ways and grips. */
  numberOf(play: Play): number;
  playAt(number: number): Play;
  own(play: number, note: TimedNote): number;
  step(from: number, to: number, note: TimedNote): number;
  ownLoads(play: number, note: TimedNote): Loads;
  stepLoads(from: number, to: number, note: TimedNote): Loads;
}

/**
 * What one instrument keeps however it is set for a key, under the same preferences: the numbers of its plays and the
 * costs of steps between them. Setting changes what a way costs by itself, never a step.
 */
export interface SharedSteps {
  readonly numbers: Map<string, number>;
  /** By kind of moment. */
  readonly steps: Map<string, StepCosts>;
}

export function sharedSteps(): SharedSteps {
  return { numbers: new Map(), steps: new Map() };
}

/** Costs of steps as far as they are known: a square of numbers for most instruments, a map beyond its width. */
interface StepCosts {
  readonly width: number;
  /** −1 where not known yet. */
  readonly square: Float64Array;
  readonly beyond: Map<number, number>;
}

/** Widest square that is laid out, in plays: three megabytes. */
const WIDEST = 640;
/** More plays than any instrument has. */
const PLAYS_LIMIT = 1 << 20;

/** What is known of the moments that cost the same. */
interface MomentKind {
  readonly own: Map<number, number>;
  readonly step: StepCosts;
}

export function costTable(
  instrument: Instrument,
  { weights, habits }: ResolvedPreferences,
  shared = sharedSteps(),
): CostTable {
  const plays: Play[] = [];
  const kinds = new Map<string, MomentKind>();
  let last: { note: TimedNote; kind: MomentKind } | undefined;
  const kindOf = (note: TimedNote): MomentKind => {
    if (last?.note === note) return last.kind;
    const id = `${note.beats} ${note.since} ${note.start % 1}`;
    let kind = kinds.get(id);
    if (!kind) {
      const width = Math.min(WIDEST, shared.numbers.size);
      const step = shared.steps.get(id) ?? {
        width,
        square: new Float64Array(width * width).fill(-1),
        beyond: new Map(),
      };
      shared.steps.set(id, step);
      kinds.set(id, (kind = { own: new Map(), step }));
    }
    last = { note, kind };
    return kind;
  };
  const ownLoads = (play: number, note: TimedNote) => instrument.wayLoads(plays[play]!, note, habits);
  const stepLoads = (from: number, to: number, note: TimedNote) =>
    instrument.stepLoads(plays[from]!, plays[to]!, note, habits);
  return {
    numberOf(play) {
      const id = `${play.way.id} ${play.grip ?? ''}`;
      let number = shared.numbers.get(id);
      if (number === undefined) shared.numbers.set(id, (number = shared.numbers.size));
      plays[number] ??= play;
      return number;
    },
    playAt: (number) => plays[number]!,
    own(play, note) {
      const { own } = kindOf(note);
      let cost = own.get(play);
      if (cost === undefined) own.set(play, (cost = costOf(ownLoads(play, note), weights)));
      return cost;
    },
    step(from, to, note) {
      const { width, square, beyond } = kindOf(note).step;
      const inside = from < width && to < width;
      const at = inside ? from * width + to : from * PLAYS_LIMIT + to;
      const known = inside ? square[at]! : (beyond.get(at) ?? -1);
      if (known >= 0) return known;
      const cost = costOf(stepLoads(from, to, note), weights);
      if (inside) square[at] = cost;
      else beyond.set(at, cost);
      return cost;
    },
    ownLoads,
    stepLoads,
  };
}
