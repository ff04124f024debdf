import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { earFor, isPlayersOwn, simulatedPlayer, type WantedWay } from '@same-song/core/ear';
import type { Instrument } from '@same-song/core/instruments';
import { heldNotes, type SimulatedPlayer } from '../stand/simulatedPlayers.ts';
import { useSteady } from './useSteady.ts';
import { heardRound, type HeardRound } from './heardRound.ts';
import { useFrameRecorder } from './useFrameRecorder.ts';

/** What is decided late is waited for, in ms. */
const DECIDES = 350;
/** Most seconds from opening the audio to the simulated player's first sample. */
const OPENING = 2;
/** What belongs to a round: from before its first note to behind the beginning of its last, in seconds. */
const AROUND = Object.freeze({ before: 0.5, after: 0.6, afterWhileGoingOn: 0.3 });

/** What is listened for. */
export interface WantedRound {
  /** The notes to be played, the first of them at 0; of those that begin together the highest. */
  readonly notes: readonly WantedWay[];
  /** Seconds from the first beat that sounds to the first note. */
  readonly leadIn: number;
  /** Seconds for which the last note is held. */
  readonly beat: number;
}

interface RoundListening {
  readonly instrument: Instrument;
  /** Ids of the ways that may be heard. */
  readonly wayIds: readonly string[];
  /** @param perMinute counted beats a minute */
  readonly wanted: (perMinute: number) => WantedRound;
  /** The simulated player plays along, to see how listening works. */
  readonly simulated: SimulatedPlayer | undefined;
}

/** Listens while a round is played, and lays what was heard beside what was wanted. */
export function useRoundListening({ instrument, wayIds, wanted, simulated }: RoundListening) {
  const hearing = useSteady(useMemo(() => earFor(instrument, wayIds), [instrument, wayIds]));
  const { ear, forget, forgetBefore, notesSince } = useFrameRecorder(hearing);
  const [heard, setHeard] = useState<HeardRound | undefined>(undefined);
  const timers = useRef(new Set<number>());
  useEffect(() => {
    const waiting = timers.current;
    return () => waiting.forEach((timer) => window.clearTimeout(timer));
  }, []);
  /** A new round: what was heard before is nothing to it. */
  const startListening = useCallback(() => {
    setHeard(undefined);
    forget();
  }, [forget]);
  const { begin } = ear;
  /** The first beat sounds: the simulated player counts along and plays. */
  const join = useCallback(
    (perMinute: number) => {
      if (!simulated) return;
      const { faults, ownFlat = 0 } = simulated;
      const { notes, leadIn, beat } = wanted(perMinute);
      const own = new Set(instrument.ways.filter((way) => isPlayersOwn(instrument, way)).map(({ id }) => id));
      const played = heldNotes(notes, beat).map((note) => ({
        ...note,
        midi: note.midi - (own.has(note.wayId) ? ownFlat / 100 : 0),
        at: note.at + leadIn,
      }));
      const { timbre } = instrument.family;
      begin({ kind: 'simulated', make: (rate) => simulatedPlayer(played, { rate, timbre, faults }) });
    },
    [simulated, wanted, instrument, begin],
  );
  /**
   * Judges a round as soon as all of it is decided. @param since when its first note was due, in ms of the page's clock
   * @param goesOn the next round sounds already: what was heard of this one is forgotten then
   */
  const judge = useCallback(
    (
      since: number,
      { perMinute, goesOn }: { readonly perMinute: number; readonly goesOn: boolean },
      onHeard: (round: HeardRound) => void,
    ) => {
      const timer = window.setTimeout(() => {
        timers.current.delete(timer);
        const { notes } = wanted(perMinute);
        const opening = simulated ? OPENING : 0;
        const until = (notes.at(-1)?.at ?? 0) + (goesOn ? AROUND.afterWhileGoingOn : AROUND.after) + opening;
        const own = notesSince(since).filter(({ onset }) => onset > -AROUND.before && onset < until);
        const round = heardRound(instrument, notes, own, simulated ? OPENING : undefined);
        setHeard(round);
        // The last notes may still ring, and the next round may begin a little early.
        if (goesOn) forgetBefore(since + 1000 * ((notes.at(-1)?.at ?? 0) - AROUND.before));
        onHeard(round);
      }, DECIDES);
      timers.current.add(timer);
    },
    [wanted, simulated, notesSince, instrument, forgetBefore],
  );
  const listens = ear.state === 'listening';
  return { ear, heard, startListening, join, judge, isListening: listens || simulated !== undefined };
}
