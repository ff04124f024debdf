import type { Hold, Way } from '../families/way.ts';
import type { Instrument } from '../instrument/instrument.ts';
import type { Layer } from '../solver/solver.ts';
import type { NoteTiming } from '../time/noteTiming.ts';
import type { AirKind } from '../families/air.ts';
import { airOf } from '../families/way.ts';
import { AIR_STATES, moveAir, type AirMove, type AirUse } from './airState.ts';
import { carriedTexts, NUMBERS } from './carriedTexts.ts';
import type { CostTable } from './costs.ts';

/**
 * The states that the solver chooses among. A state is a hold together with what the line up to it has left behind:
 * where the hand is, which levers are moved, how much air there is. From each state every hold of the next onset
 * leads to exactly one state. Lines repeat themselves, so sets of states and the steps between them are remembered.
 */
export interface StateTable {
  /** Holds open at one onset, numbered once. */
  choicesOf(holds: readonly Hold[]): Choices;
  /** The same for one note; ways that were asked about before, if of another setting, need no fingerings anew. */
  choicesAmong(ways: readonly Way[], fingered: () => Hold): Choices;
  /** The states in which each of the holds is reached, from those before or at the start of a line. */
  enter(before: StateSet | undefined, choices: Choices, when: When): Entered;
  /**
   * Of too many states the cheapest of every hold, and some more.
   * @param reached what it costs to have come to each of the states
   * @param kept how many more
   */
  pruned(entered: Entered, reached: readonly number[], kept: number): Entered;
}

export interface Choices {
  readonly id: number;
  readonly holds: readonly Hold[];
  /** The numbers of the holds. */
  readonly numbers: readonly number[];
}

/** When a hold sounds, and what it does to the air where that can run out. */
export interface When {
  readonly timing: NoteTiming;
  readonly air: { readonly kind: AirKind; readonly use: AirUse; readonly weight: number } | undefined;
}

export interface State {
  readonly hold: Hold;
  /** Number of the hold. */
  readonly number: number;
  /** What is left behind after the hold, by its number in the table. */
  readonly carried: number;
  /** What the air has come to, as `moveAir` has it; 0 where it cannot run out. */
  readonly filled: number;
}

export interface StateSet {
  readonly id: number;
  /** What has been worked out to follow, by choices and time. */
  readonly next: Map<number, Entered>;
  readonly states: readonly State[];
  /** What a state left behind, as the family's `carry` wrote it. */
  carried(state: number): string;
}

export interface Entered {
  readonly set: StateSet;
  readonly layer: Layer;
}

/** Most states of one onset that are all kept, and how many of more go on besides the cheapest of each hold. */
export interface StatesLimit {
  readonly states: number;
  readonly kept: number;
}

/**
 * Of more states only some go on, and the route is then not sure to be the best. Double-strung harps come that far in lines
 * with many levers to flip, since each note can be had in either row. With twice as many the routes tried cost the same.
 */
export const STATES_LIMIT: StatesLimit = Object.freeze({ states: 128, kept: 32 });
/** Where there are more holds of a chord than are chosen among. */
export const CHORD_STATES_LIMIT: StatesLimit = Object.freeze({ states: 32, kept: 4 });
/** Where every state minds the air there are many that hardly differ: the routes tried cost a thousandth more at most. */
export const AIR_STATES_LIMIT: StatesLimit = Object.freeze({ states: 48, kept: 12 });

export function stateTable(instrument: Instrument, costs: CostTable, isRough: boolean): StateTable {
  const numbers = new Map<string, number>();
  const choices = new Map<string, Choices>();
  const choicesByWays = new Map<string, Choices>();
  const sets = new Map<string, StateSet>();
  const beginnings = new Map<number, Entered>();
  const times = new Map<string, number>();
  const timesOf = new WeakMap<NoteTiming, number>();
  const own = new Map<string, readonly number[]>();
  const ownByHold = new Map<string, Map<number, number>>();
  const left = carriedTexts(instrument.carries, isRough);
  const stepCosts = new Map<string, Map<number, Map<number, number>>>();

  const nameOf = (hold: Hold) =>
    hold
      .map(
        ({ way, fingering, goesOn }) => `${way.id} ${way.technique} ${fingering ?? ''}${goesOn ? ' on' : ''}`,
      )
      .join('+');
  const numberOf = (hold: Hold) => {
    const name = nameOf(hold);
    const number = numbers.get(name) ?? numbers.size;
    numbers.set(name, number);
    return number;
  };

  /** Costs of steps to a hold that are known, for all timings at which steps cost the same. */
  const knownCosts = (number: number, timing: NoteTiming) => {
    const timingKey = costs.stepCacheKey(timing);
    const byHold = stepCosts.get(timingKey) ?? new Map<number, Map<number, number>>();
    stepCosts.set(timingKey, byHold);
    const known = byHold.get(number) ?? new Map<number, number>();
    byHold.set(number, known);
    return known;
  };

  const stepCost = (
    known: Map<number, number>,
    from: State,
    to: Hold,
    { timing, matters }: { readonly timing: NoteTiming; readonly matters: number },
  ) => {
    const key = matters * NUMBERS + from.number;
    let cost = known.get(key);
    if (cost === undefined) {
      cost = costs.step(from.hold, to, left.text(from.carried), timing);
      known.set(key, cost);
    }
    return cost;
  };

  const setOf = (states: readonly State[]): StateSet => {
    let name = '';
    for (const { number, carried, filled } of states) name += `${number} ${carried} ${filled} `;
    const known = sets.get(name) ?? {
      id: sets.size,
      next: new Map<number, Entered>(),
      states,
      carried: (state: number) => left.text(states[state]!.carried),
    };
    sets.set(name, known);
    return known;
  };

  const ownCosts = (set: StateSet, timing: NoteTiming): readonly number[] => {
    const timingKey = costs.ownCacheKey(timing);
    const key = `${set.id}/${timingKey}`;
    const known = own.get(key);
    if (known) return known;
    const byHold = ownByHold.get(timingKey) ?? new Map<number, number>();
    ownByHold.set(timingKey, byHold);
    const found = set.states.map(({ hold, number }) => {
      const cost = byHold.get(number) ?? costs.own(hold, timing);
      byHold.set(number, cost);
      return cost;
    });
    own.set(key, found);
    return found;
  };

  /** The first holds of a line: nothing has been left behind. */
  const start = ({ holds, numbers: held }: Choices, { timing, air }: When): Entered => {
    const states = holds.map((hold, i): State => {
      const { state: filled } = moved(0, hold, air);
      return { hold, number: held[i]!, carried: left.after(0, held[i]!, hold), filled };
    });
    const set = setOf(states);
    const cost = holds.map((hold, i) => {
      const help = moved(0, hold, air).helped ? air!.weight : 0;
      return ownCosts(set, timing)[i]! + costs.step(undefined, hold, '', timing) + help;
    });
    return { set, layer: { own: cost } };
  };

  /** The states of one hold; writes down to which of them each state before leads, and at what cost. */
  const transition = (
    before: StateSet,
    hold: Hold,
    number: number,
    when: When,
    { target: reached, cost: paid }: { readonly target: Target[]; readonly cost: number[] },
  ): readonly Target[] => {
    const { timing, air } = when;
    const known = knownCosts(number, timing);
    const targets = new Map<number, Target>();
    let target: Target | undefined;
    let last: State | undefined;
    let carried = 0;
    let matters = 0;
    let cost = 0;
    const moves: AirMove[] = [];
    for (let b = 0; b < before.states.length; b += 1) {
      const state = before.states[b]!;
      // States that differ only in the air stand one after the other.
      if (last?.number !== state.number || last.carried !== state.carried) {
        if (last?.carried !== state.carried) matters = left.heeded(state.carried, number, hold);
        carried = left.after(state.carried, number, hold);
        cost = stepCost(known, state, hold, { timing, matters });
        last = state;
      }
      const { state: filled, helped } = (moves[state.filled + AIR_STATES] ??= moved(state.filled, hold, air));
      // Many states lead to the same one, mostly one after the other.
      if (target?.state.carried !== carried || target.state.filled !== filled) {
        const name = carried * 2 * AIR_STATES + filled;
        target = targets.get(name);
        if (!target) {
          target = { state: { hold, number, carried, filled }, steps: 0, next: 0 };
          targets.set(name, target);
        }
      }
      target.steps += 1;
      reached[b] = target;
      paid[b] = cost + (helped ? air!.weight : 0);
    }
    // In an order that does not depend on what the table was asked before, so that ties are always decided alike.
    return [...targets.values()].sort(
      ({ state: one }, { state: two }) =>
        (left.text(one.carried) < left.text(two.carried) ? -1 : Number(one.carried !== two.carried)) ||
        one.filled - two.filled,
    );
  };

  const expand = (before: StateSet, { holds, numbers: held }: Choices, when: When): Entered => {
    const size = before.states.length;
    const found = { target: new Array<Target>(size), cost: new Array<number>(size) };
    const begin = [0];
    const from = new Array<number>(size * holds.length);
    const cost = new Array<number>(size * holds.length);
    const states: State[] = [];
    for (let i = 0; i < holds.length; i += 1) {
      for (const target of transition(before, holds[i]!, held[i]!, when, found)) {
        target.next = begin[states.length]!;
        states.push(target.state);
        begin.push(target.next + target.steps);
      }
      for (let b = 0; b < size; b += 1) {
        const target = found.target[b]!;
        from[target.next] = b;
        cost[target.next] = found.cost[b]!;
        target.next += 1;
      }
    }
    const set = setOf(states);
    return { set, layer: { own: ownCosts(set, when.timing), steps: { begin, from, cost } } };
  };

  const thinned = ({ set, layer }: Entered, reached: readonly number[], more: number): Entered => {
    const kept = keepCheapest(set.states, reached, more);
    const all = layer.steps!;
    const begin = [0];
    const from: number[] = [];
    const cost: number[] = [];
    for (const state of kept) {
      for (let step = all.begin[state]!; step < all.begin[state + 1]!; step += 1) {
        from.push(all.from[step]!);
        cost.push(all.cost[step]!);
      }
      begin.push(from.length);
    }
    return {
      set: setOf(kept.map((state) => set.states[state]!)),
      layer: { own: kept.map((state) => layer.own[state]!), steps: { begin, from, cost } },
    };
  };

  /** The same for all times at which everything costs the same. */
  const timeNumber = ({ timing, air }: When): number => {
    const known = air ? undefined : timesOf.get(timing);
    if (known !== undefined) return known;
    const used = air ? `${air.use.units} ${air.use.isFresh}` : '';
    const name = `${costs.ownCacheKey(timing)}/${costs.stepCacheKey(timing)}/${used}`;
    const number = times.get(name) ?? times.size;
    times.set(name, number);
    if (!air) timesOf.set(timing, number);
    return number;
  };

  const choicesOf = (holds: readonly Hold[]): Choices => {
    const held = holds.map(numberOf);
    const name = held.join(' ');
    const known = choices.get(name) ?? { id: choices.size, holds, numbers: held };
    choices.set(name, known);
    return known;
  };

  return {
    pruned: thinned,
    choicesOf,
    choicesAmong(ways, fingered) {
      let name = '';
      for (const { id, technique } of ways) name += `${id} ${technique} `;
      const known = choicesByWays.get(name) ?? choicesOf(fingered().map((way) => [way]));
      choicesByWays.set(name, known);
      return known;
    },
    enter(before, open, when) {
      const known = before?.next ?? beginnings;
      const key = timeNumber(when) * NUMBERS + open.id;
      let found = known.get(key);
      if (!found) {
        found = before ? expand(before, open, when) : start(open, when);
        known.set(key, found);
      }
      return found;
    },
  };
}

/** Whether so many states came together that not all can go on: more than the limit, and several of a hold. */
export function exceedsLimit({ states }: StateSet, { holds }: Choices, limit: StatesLimit): boolean {
  return states.length > Math.max(limit.states, holds.length);
}

/** Numbers of the states that are kept, rising: the cheapest of each hold, then the cheapest of all. */
function keepCheapest(states: readonly State[], reached: readonly number[], more: number): readonly number[] {
  const rising = states.map((_, state) => state).sort((a, b) => reached[a]! - reached[b]! || a - b);
  const best = new Map<number, number>();
  for (const state of rising) {
    const { number } = states[state]!;
    if (!best.has(number)) best.set(number, state);
  }
  const kept = new Set(best.values());
  const most = kept.size + more;
  for (const state of rising) {
    if (kept.size >= most) break;
    kept.add(state);
  }
  return [...kept].sort((a, b) => a - b);
}

/** A state that is reached, how many steps lead to it, and where the next of them is written down. */
interface Target {
  readonly state: State;
  steps: number;
  next: number;
}

const STILL: AirMove = Object.freeze({ state: 0, helped: false });

function moved(filled: number, hold: Hold, air: When['air']): AirMove {
  return air ? moveAir(air.kind, filled, airOf(hold), air.use) : STILL;
}
