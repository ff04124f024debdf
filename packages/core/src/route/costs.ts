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

interface Weighed {
  readonly loads: Loads;
  readonly cost: number;
}

/**
 * What one instrument keeps however it is set for a key, under the same preferences: the numbers of its plays and the
 * steps between them. Setting changes what a way costs by itself, never a step.
 */
export interface SharedSteps {
  readonly numbers: Map<string, number>;
  /** By kind of moment; then by play left and play reached, as one number. */
  readonly steps: Map<string, Map<number, Weighed>>;
}

export function sharedSteps(): SharedSteps {
  return { numbers: new Map(), steps: new Map() };
}

/** What is known of the moments that cost the same. */
interface MomentKind {
  readonly own: Map<number, Weighed>;
  readonly step: Map<number, Weighed>;
}

/** More plays than any instrument has. */
const PLAYS_LIMIT = 1 << 20;

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
      const step = shared.steps.get(id) ?? new Map<number, Weighed>();
      shared.steps.set(id, step);
      kinds.set(id, (kind = { own: new Map(), step }));
    }
    last = { note, kind };
    return kind;
  };
  const weighed = (loads: Loads): Weighed => ({ loads, cost: costOf(loads, weights) });
  const own = (play: number, note: TimedNote): Weighed => {
    const known = kindOf(note).own;
    let found = known.get(play);
    if (!found) known.set(play, (found = weighed(instrument.wayLoads(plays[play]!, note, habits))));
    return found;
  };
  const step = (from: number, to: number, note: TimedNote): Weighed => {
    const known = kindOf(note).step;
    const pair = from * PLAYS_LIMIT + to;
    let found = known.get(pair);
    if (!found)
      known.set(pair, (found = weighed(instrument.stepLoads(plays[from]!, plays[to]!, note, habits))));
    return found;
  };
  return {
    numberOf(play) {
      const id = `${play.way.id} ${play.grip ?? ''}`;
      let number = shared.numbers.get(id);
      if (number === undefined) shared.numbers.set(id, (number = shared.numbers.size));
      plays[number] ??= play;
      return number;
    },
    playAt: (number) => plays[number]!,
    own: (play, note) => own(play, note).cost,
    step: (from, to, note) => step(from, to, note).cost,
    ownLoads: (play, note) => own(play, note).loads,
    stepLoads: (from, to, note) => step(from, to, note).loads,
  };
}
