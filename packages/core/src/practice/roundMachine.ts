import { afterRound, type Ladder, type Rung } from './ladder.ts';
import type { WayCount } from '../ear/waySound.ts';

/**
 * Round after round as a machine: `(state, event)` gives the next state and effects as values. It knows no clock and no
 * sound: times come with events, and who runs it carries effects out.
 */

/** Where a round is: nothing sounds, it is counted in, it is played, it is over and not judged yet, or the next one is about to begin. */
export type RoundPhase = 'still' | 'counting' | 'playing' | 'over' | 'resting';

/**
 * What follows a round: it waits to be judged, goes on by itself after a pause, is repeated without a count, or nothing
 * follows: it is played once.
 */
export type RepeatMode = 'waits' | 'goes on' | 'loops' | 'once';

/** The beat that sounds: within its bar from 1, what is said on it, and how many its bar has. */
export interface BeatNow {
  readonly beat: number;
  readonly said: number;
  readonly of: number;
}

export interface RoundState {
  readonly phase: RoundPhase;
  readonly mode: RepeatMode;
  readonly ladder: Ladder;
  readonly rung: Rung;
  /** Which sound it is, counted from 1: what an earlier one still tells is ignored. */
  readonly run: number;
  /** Rounds that were played to their end. */
  readonly played: number;
  /** A round of the sound that is heard was played to its end. */
  readonly isWhole: boolean;
  /** Place of the note that sounds. */
  readonly place: number | undefined;
  readonly beat: BeatNow | undefined;
  /** When the first note of the round that sounds, or is over, was due; in ms of the clock of events. */
  readonly startedAt: number | undefined;
  readonly listening: boolean;
  /** How ways went in the round that is over, where it was listened to. */
  readonly ways: Ways | undefined;
}

type Ways = Readonly<Record<string, WayCount>>;

/** What is waited for: the next round, or somebody to judge the one that is over. */
export type RoundTimer = 'next' | 'unjudged';

export type RoundEvent =
  | { readonly kind: 'begin' }
  | { readonly kind: 'stop' }
  /** Told by the sound; `time` in ms is when it is heard, which may differ from when it is told. */
  | { readonly kind: 'beat'; readonly run: number; readonly beat: BeatNow }
  | { readonly kind: 'note'; readonly run: number; readonly place: number; readonly time: number }
  | { readonly kind: 'end'; readonly run: number }
  /** The sound has ended, or was silenced. */
  | { readonly kind: 'silent'; readonly run: number }
  /** What was listened to is judged. @param goesOn the next round sounds already */
  | { readonly kind: 'judged'; readonly clean: boolean; readonly ways: Ways; readonly goesOn: boolean }
  /** Somebody says how the round that is over went, or passes it over. */
  | { readonly kind: 'mark'; readonly clean: boolean }
  | { readonly kind: 'pass' }
  | { readonly kind: 'timer'; readonly timer: RoundTimer }
  | { readonly kind: 'tempo'; readonly perMinute: number }
  | { readonly kind: 'mode'; readonly mode: RepeatMode }
  | { readonly kind: 'raise after'; readonly rounds: number }
  | { readonly kind: 'listening'; readonly on: boolean }
  /** What is played is another thing now. */
  | { readonly kind: 'changed' };

export type RoundEffect =
  | { readonly kind: 'play'; readonly run: number; readonly perMinute: number; readonly loops: boolean }
  | { readonly kind: 'silence' }
  /** All that is waited for is given up. */
  | { readonly kind: 'give up waiting' }
  | { readonly kind: 'wait'; readonly timer: RoundTimer; readonly ms: number }
  /** For the log: sound begins, sound has ended, a round was played or judged. */
  | { readonly kind: 'began'; readonly perMinute: number }
  | { readonly kind: 'rested' }
  | { readonly kind: 'report'; readonly tempo: number; readonly clean?: boolean; readonly ways?: Ways }
  /** A round is done with: what is played may change now. */
  | { readonly kind: 'passed' }
  /** From here on what is heard is remembered; what was heard before is forgotten. */
  | { readonly kind: 'startListening' }
  /** The first beat of the count sounds. */
  | { readonly kind: 'first beat' }
  /** What was heard since a time is to be judged, as soon as it is decided. */
  | { readonly kind: 'judge'; readonly since: number; readonly goesOn: boolean };

export interface RoundStep {
  readonly state: RoundState;
  readonly effects: readonly RoundEffect[];
}

/** How long after a round the next one begins, and how long it is waited for a judgement where rounds go on; in ms. */
export const ROUND_PAUSES = Object.freeze({ next: 600, unjudged: 2_900 });

/** @param perMinute counted beats a minute to begin with */
export function firstRoundState(ladder: Ladder, perMinute: number, mode: RepeatMode = 'waits'): RoundState {
  return {
    phase: 'still',
    mode,
    ladder,
    rung: { perMinute, clean: 0, missed: 0 },
    run: 0,
    played: 0,
    isWhole: false,
    place: undefined,
    beat: undefined,
    startedAt: undefined,
    listening: false,
    ways: undefined,
  };
}

/** Whether something is counted or played. */
export function isSounding({ phase }: Pick<RoundState, 'phase'>): boolean {
  return phase === 'counting' || phase === 'playing';
}

/** One step. Pure; an event that means nothing in a state leaves it as it is. */
export function nextRound(state: RoundState, event: RoundEvent): RoundStep {
  if ('run' in event && event.run !== state.run) return { state, effects: [] };
  switch (event.kind) {
    case 'begin':
      return begun(state);
    case 'stop':
      if (state.phase === 'resting') return step({ ...state, phase: 'still' }, { kind: 'give up waiting' });
      return silenced(state);
    case 'beat':
      return step(
        { ...state, beat: event.beat },
        ...(state.beat === undefined && state.phase === 'counting' ? [{ kind: 'first beat' } as const] : []),
      );
    case 'note':
      return noted(state, event);
    case 'end':
      return step(
        { ...state, isWhole: true, played: state.played + 1 },
        { kind: 'report', tempo: state.rung.perMinute },
      );
    case 'silent':
      return fellSilent(state);
    case 'judged':
      return judged(state, event);
    case 'mark':
      return state.phase === 'over' ? marked(state, event.clean) : step(state);
    case 'pass':
      return state.phase === 'over' ? passed(state) : step(state);
    case 'timer':
      if (event.timer === 'next') return state.phase === 'resting' ? begun(state) : step(state);
      return state.phase === 'over' && state.mode === 'goes on' ? passed(state) : step(state);
    case 'tempo':
      return silenced({ ...state, rung: { perMinute: event.perMinute, clean: 0, missed: 0 } });
    case 'mode': {
      const changed = { ...state, mode: event.mode };
      return (event.mode === 'loops') === (state.mode === 'loops') ? step(changed) : silenced(changed);
    }
    case 'raise after':
      return step({ ...state, ladder: { ...state.ladder, raiseAfter: event.rounds } });
    case 'listening':
      return step({ ...state, listening: event.on });
    case 'changed':
      return silenced(state);
  }
}

function step(state: RoundState, ...effects: readonly RoundEffect[]): RoundStep {
  return { state, effects };
}

function begun(state: RoundState): RoundStep {
  const run = state.run + 1;
  const { perMinute } = state.rung;
  return step(
    {
      ...state,
      phase: 'counting',
      run,
      isWhole: false,
      place: undefined,
      beat: undefined,
      startedAt: undefined,
      ways: undefined,
    },
    { kind: 'give up waiting' },
    ...(isSounding(state) ? [{ kind: 'silence' } as const] : []),
    { kind: 'began', perMinute },
    { kind: 'startListening' },
    { kind: 'play', run, perMinute, loops: state.mode === 'loops' },
  );
}

/** What sounds is silenced; that it is silent is then told by the sound. */
function silenced(state: RoundState): RoundStep {
  return isSounding(state) ? step(state, { kind: 'silence' }) : step(state);
}

function noted(state: RoundState, { place, time }: RoundEvent & { readonly kind: 'note' }): RoundStep {
  const next: RoundState = { ...state, phase: 'playing', place };
  if (place !== 0) return step(next);
  const { startedAt: since, listening } = state;
  const started = { ...next, startedAt: time };
  // Round and round: the one before is judged while this one sounds.
  return since !== undefined && listening
    ? step(started, { kind: 'judge', since, goesOn: true })
    : step(started);
}

function fellSilent(state: RoundState): RoundStep {
  if (!isSounding(state)) return step(state);
  const { isWhole, startedAt: since, listening, mode } = state;
  const silent: RoundState = {
    ...state,
    phase: isWhole ? 'over' : 'still',
    place: undefined,
    beat: undefined,
  };
  if (!isWhole) return step(silent, { kind: 'rested' });
  return step(
    silent,
    { kind: 'rested' },
    ...(since !== undefined && listening ? [{ kind: 'judge', since, goesOn: false } as const] : []),
    ...(mode === 'goes on' ? [{ kind: 'wait', timer: 'unjudged', ms: ROUND_PAUSES.unjudged } as const] : []),
  );
}

function judged(
  state: RoundState,
  { clean, ways, goesOn }: RoundEvent & { readonly kind: 'judged' },
): RoundStep {
  const tempo = state.rung.perMinute;
  if (goesOn) return step(state, { kind: 'report', tempo, clean, ways });
  if (state.phase !== 'over') return step(state);
  if (state.mode === 'once') return step({ ...state, ways }, { kind: 'report', tempo, clean, ways });
  // A clean round speaks for itself; of others the player says how it was, where there is time to.
  const heard = { ...state, ways };
  return clean || state.mode === 'goes on' ? marked(heard, clean) : step(heard);
}

function marked(state: RoundState, clean: boolean): RoundStep {
  const { ladder, rung, ways } = state;
  const report: RoundEffect = {
    kind: 'report',
    tempo: rung.perMinute,
    clean,
    ...(ways !== undefined && { ways }),
  };
  const next = passed({ ...state, rung: afterRound(ladder, rung, clean) });
  return { state: next.state, effects: [report, ...next.effects] };
}

function passed(state: RoundState): RoundStep {
  return step(
    { ...state, phase: 'resting', ways: undefined },
    { kind: 'give up waiting' },
    { kind: 'passed' },
    { kind: 'wait', timer: 'next', ms: ROUND_PAUSES.next },
  );
}
