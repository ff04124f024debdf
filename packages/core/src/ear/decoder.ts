import { LISTENING } from './listening.ts';
import type { FrameEvidence } from './frame.ts';

/** Looked up once: these are called millions of times a minute. */
const { abs, max, min, round } = Math;

/** What a frame was decided to be. */
export interface Decided {
  /** Place of the candidate; −1 for none. */
  readonly candidate: number;
  /** In semitones with cents as a fraction. */
  readonly midi: number;
  /** Of what was decided, from 0 to 1. */
  readonly clarity: number;
}

/** What it costs to say of a frame that it is none, against 1 − clarity for a candidate. */
const SILENT = 0.42;
/** What it costs to begin and to end, and to go on to another pitch, with what each semitone of the leap adds. */
const BEGIN = 0.6;
const CHANGE = 1.1;
/** Cost of entering a candidate that rings already and did not grow: nobody struck it. */
const STALE = 3;
const LEAP = 0.015;
/** What is taken off where a note was struck just now: it is meant, though others ring louder. */
const NEWLY = 0.3;
const LEAP_MOST = 0.4;
const NONE: Decided = Object.freeze({ candidate: -1, midi: 0, clarity: 0 });

/** Frames that are waited for before one is decided. */
export const WAITED = round(LISTENING.decided / LISTENING.hop);

/**
 * The likeliest course through frames: at each the candidate that fits, or silence, where a change must be worth what it
 * costs. Takes one frame at a time and decides it when those that follow have been heard.
 */
export function decoder(candidates: readonly number[], struck: boolean) {
  const states = candidates.length + 1;
  let costs = new Float64Array(states);
  let next = new Float64Array(states);
  costs.fill(BEGIN, 1);
  /** Of the frames that are not decided yet: where each state came from, and what was heard. */
  const waiting: {
    readonly from: Int16Array;
    readonly scores: Float32Array;
    readonly pitches: Float32Array;
  }[] = [];

  const best = () => {
    let state = 0;
    for (let s = 1; s < states; s += 1) if (costs[s]! < costs[state]!) state = s;
    return state;
  };
  const read = (frame: (typeof waiting)[number], state: number): Decided => {
    if (state === 0) return NONE;
    const clarity = max(0, frame.scores[state - 1]!);
    return { candidate: state - 1, midi: frame.pitches[state - 1]!, clarity };
  };
  const oldest = (): Decided => {
    let state = best();
    for (let f = waiting.length - 1; f > 0; f -= 1) state = waiting[f]!.from[state]!;
    return read(waiting.shift()!, state);
  };
  return {
    /** Takes a frame in. @returns what the frame was that is decided by it, undefined for the first ones */
    push({
      scores,
      pitches,
      fresh,
    }: Pick<FrameEvidence, 'scores' | 'pitches' | 'fresh'>): Decided | undefined {
      const from = new Int16Array(states);
      for (let s = 0; s < states; s += 1) {
        let cost = costs[s]!;
        from[s] = s;
        if (s === 0) {
          for (let p = 1; p < states; p += 1)
            if (costs[p]! + BEGIN / 3 < cost) {
              cost = costs[p]! + BEGIN / 3;
              from[s] = p;
            }
          next[s] = cost + SILENT;
          continue;
        }
        const stale = STALE * (1 - fresh[s - 1]!);
        if (costs[0]! + BEGIN + stale / 2 < cost) {
          cost = costs[0]! + BEGIN + stale / 2;
          from[s] = 0;
        }
        // Nothing costs less than nothing: what is cheaper to stay needs no look at all others.
        for (let p = CHANGE + stale < cost ? 1 : states; p < states; p += 1) {
          const still = costs[p]! + CHANGE + stale;
          if (still >= cost || p === s) continue;
          const moved = still + min(LEAP_MOST, LEAP * abs(candidates[p - 1]! - candidates[s - 1]!));
          if (moved < cost) {
            cost = moved;
            from[s] = p;
          }
        }
        next[s] = cost + 1 - max(-0.1, scores[s - 1]!) - (struck ? NEWLY * fresh[s - 1]! : 0);
      }
      [costs, next] = [next, costs];
      // Only differences count: what all have in common is taken off, so that nothing grows for hours.
      const least = costs[best()]!;
      for (let s = 0; s < states; s += 1) costs[s]! -= least;
      waiting.push({ from, scores: scores.slice(), pitches: pitches.slice() });
      return waiting.length > WAITED ? oldest() : undefined;
    },
    /** What the newest frame seems to be, before it is decided. */
    now(): Decided {
      const last = waiting.at(-1);
      return last ? read(last, best()) : NONE;
    },
    /** The frames that nothing follows any more. */
    end(): readonly Decided[] {
      const rest: Decided[] = [];
      while (waiting.length > 0) rest.push(oldest());
      return rest;
    },
  };
}
