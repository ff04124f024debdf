import { useEffect, useMemo, useRef, useState } from 'react';
import { earFor, isPlayersOwn, midiOf, simulatedPlayer, type WantedWay } from '@same-song/core';
import { heldNotes, type MadeUp } from './faults.ts';
import { heardRound, type HeardRound } from './heardRound.ts';
import type { Playable } from './playable.ts';
import { DECIDES, OPENING, useAttending } from './useAttending.ts';
import type { Stage } from './useRounds.ts';
import { useSteady } from './useSteady.ts';

interface Following {
  readonly playable: Playable;
  readonly perMinute: number;
  readonly stage: Stage;
  /** Place of the note that sounds. */
  readonly at: number | undefined;
  /** The beat that sounds; 0 for none. */
  readonly beat: number;
  /** Somebody who is made up plays along, to see how it works. */
  readonly madeUp: MadeUp | undefined;
  /** A round is over and was followed. @param goesOn the next one sounds already */
  readonly onHeard: (heard: HeardRound, goesOn: boolean) => void;
}

/** Listens while a round is played and judges it when it is over, or when the next one has begun. */
export function useFollow({ playable, perMinute, stage, at, beat, madeUp, onHeard }: Following) {
  const { instrument, line } = playable;
  const wanted = useMemo(() => wantedOf(playable, perMinute), [playable, perMinute]);
  const hearing = useSteady(useMemo(() => earFor(instrument, waysOf(line)), [instrument, line]));
  const { ear, attend, notesAfter } = useAttending(hearing);
  /** When the first note of this round was due, in ms of this page's clock. */
  const begun = useRef<number | undefined>(undefined);
  const [heard, setHeard] = useState<HeardRound | undefined>(undefined);
  const latest = useRef({ onHeard, listens: false });
  useEffect(() => {
    latest.current = { onHeard, listens: ear.state === 'listening' || madeUp !== undefined };
  });
  const judge = useRef((_since: number, _goesOn: boolean) => undefined as unknown);
  useEffect(() => {
    judge.current = (since, goesOn) => {
      const last = wanted.at(-1)?.at ?? 0;
      const opening = madeUp ? OPENING : 0;
      const notes = notesAfter(since).filter(
        ({ onset }) => onset > -0.5 && onset < last + (goesOn ? 0.3 : 0.6) + opening,
      );
      const round = heardRound(instrument, wanted, notes, madeUp ? OPENING : undefined);
      setHeard(round);
      latest.current.onHeard(round, goesOn);
    };
  }, [wanted, madeUp, notesAfter, instrument]);
  useEffect(() => {
    if (at !== 0) return undefined;
    const before = begun.current;
    begun.current = performance.now();
    // Round and round: the one before is judged while this one sounds.
    if (before === undefined || !latest.current.listens) return undefined;
    const timer = window.setTimeout(() => judge.current(before, true), DECIDES);
    return () => window.clearTimeout(timer);
  }, [at]);
  useEffect(() => {
    if (stage === 'counting') {
      setHeard(undefined);
      begun.current = undefined;
      attend();
    }
    const since = begun.current;
    if (stage !== 'over' || since === undefined || !latest.current.listens) return undefined;
    const timer = window.setTimeout(() => judge.current(since, false), DECIDES);
    return () => window.clearTimeout(timer);
  }, [stage, attend]);
  const { begin } = ear;
  const joined = useRef(false);
  useEffect(() => {
    if (stage !== 'counting') {
      joined.current = false;
      return;
    }
    if (!madeUp || beat === 0 || joined.current) return;
    joined.current = true;
    begin({ kind: 'simulated', make: playedAlong(playable, perMinute, madeUp) });
  }, [stage, beat, madeUp, begin, playable, perMinute]);
  return { ear, heard };
}

const waysOf = (line: Playable['line']) => [...line.values()].flatMap(({ wayId }) => wayId ?? []);

/** The notes of a round, its first one at 0; of those that begin together the highest. */
function wantedOf({ notes, line, instrument }: Playable, perMinute: number): readonly WantedWay[] {
  const own = new Map(
    instrument.ways
      .filter((way) => isPlayersOwn(instrument, way))
      .map(({ id }) => [id, instrument.spec.measured[id]?.cents ?? 0]),
  );
  const top = new Map<number, WantedWay>();
  for (const { noteId, start } of notes) {
    const note = line.get(noteId);
    if (note?.wayId === undefined) continue;
    const { wayId, hz } = note;
    // A bend is wanted where it ought to be, however it was last played.
    const midi = midiOf(hz) - (own.get(wayId) ?? 0) / 100;
    if (midi > (top.get(start)?.midi ?? -Infinity))
      top.set(start, { id: noteId, wayId, midi, at: (start * 60) / perMinute });
  }
  return [...top.values()].sort((a, b) => a.at - b.at);
}

/** The line of a round as a simulated player plays it, after the count. */
function playedAlong(
  playable: Playable,
  perMinute: number,
  { faults, bendsFlat = 0 }: MadeUp,
): (rate: number) => Float32Array {
  const beat = 60 / perMinute;
  const { phase, beatsPerBar } = playable;
  const after = (phase > 0 ? beatsPerBar + phase : 2 * beatsPerBar) * beat;
  const { instrument } = playable;
  const own = new Set(instrument.ways.filter((way) => isPlayersOwn(instrument, way)).map(({ id }) => id));
  const notes = heldNotes(wantedOf(playable, perMinute), beat).map((note) => ({
    ...note,
    midi: note.midi - (own.has(note.wayId) ? bendsFlat / 100 : 0),
    at: note.at + after,
  }));
  return (rate) => simulatedPlayer(notes, { rate, timbre: playable.family.timbre, faults });
}
