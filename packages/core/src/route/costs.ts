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

/** What is known of the moments that cost the same. */
interface MomentKind {
  readonly own: Map<number, Weighed>;
  /** By play left, then by play reached. */
  readonly step: Map<number, Map<number, Weighed>>;
}

interface Weighed {
  readonly loads: Loads;
  readonly cost: number;
}

export function costTable(instrument: Instrument, { weights, habits }: ResolvedPreferences): CostTable {
  const plays: Play[] = [];
  const numbers = new Map<string, number>();
  const kinds = new Map<string, MomentKind>();
  let last: { note: TimedNote; kind: MomentKind } | undefined;
  const kindOf = (note: TimedNote): MomentKind => {
    if (last?.note === note) return last.kind;
    const id = `${note.beats} ${note.since} ${note.start % 1}`;
    let kind = kinds.get(id);
    if (!kind) kinds.set(id, (kind = { own: new Map(), step: new Map() }));
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
    const rows = kindOf(note).step;
    let row = rows.get(from);
    if (!row) rows.set(from, (row = new Map()));
    let found = row.get(to);
    if (!found) {
      row.set(to, (found = weighed(instrument.stepLoads(plays[from]!, plays[to]!, note, habits))));
    }
    return found;
  };
  return {
    numberOf(play) {
      const id = `${play.way.id} ${play.grip ?? ''}`;
      let number = numbers.get(id);
      if (number === undefined) {
        numbers.set(id, (number = plays.length));
        plays.push(play);
      }
      return number;
    },
    playAt: (number) => plays[number]!,
    own: (play, note) => own(play, note).cost,
    step: (from, to, note) => step(from, to, note).cost,
    ownLoads: (play, note) => own(play, note).loads,
    stepLoads: (from, to, note) => step(from, to, note).loads,
  };
}
