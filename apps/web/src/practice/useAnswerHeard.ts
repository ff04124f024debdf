import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import {
  earFor,
  simulatedPlayer,
  soundsAt,
  type Instrument,
  type PhraseNote,
  type WantedWay,
} from '@same-song/core';
import { heldNotes } from './faults.ts';
import { heardRound, type HeardRound } from './heardRound.ts';
import { DECIDES, OPENING, useAttending } from './useAttending.ts';
import { useSteady } from './useSteady.ts';

interface Answered {
  readonly instrument: Instrument;
  readonly phrase: readonly PhraseNote[];
  /** Beats a minute. */
  readonly tempo: number;
  /** Ids of the ways that may be used. */
  readonly allowed: readonly string[];
  readonly onHeard: (heard: HeardRound, madeUp: boolean) => void;
}

/** Hears how a call is answered. The answer begins where the phrase would begin again. */
export function useAnswerHeard({ instrument, phrase, tempo, allowed, onHeard }: Answered) {
  const hearing = useSteady(useMemo(() => earFor(instrument, allowed), [instrument, allowed]));
  const { ear, attend, notesAfter } = useAttending(hearing);
  const [heard, setHeard] = useState<HeardRound | undefined>(undefined);
  const [madeUp, setMadeUp] = useState(false);
  const wanted = useMemo(() => {
    const may = new Set(allowed);
    return phrase.map(({ pitch, start }, i): WantedWay => {
      // Which of several ways it was cannot be heard.
      const way = instrument.ways.find((one) => one.pitch === pitch && may.has(one.id))!;
      return { id: String(i), wayId: way.id, midi: soundsAt(instrument, way), at: (start * 60) / tempo };
    });
  }, [instrument, phrase, tempo, allowed]);
  const since = useRef(0);
  const { begin, state } = ear;
  const called = useCallback(() => setHeard(undefined), []);
  /** The call is over: what is played from now on is the answer. */
  const answering = useCallback(() => {
    attend();
    since.current = performance.now();
    if (!madeUp) return;
    const notes = heldNotes(wanted, 60 / tempo);
    const { timbre } = instrument.family;
    begin({ kind: 'simulated', make: (rate) => simulatedPlayer(notes, { rate, timbre }) });
  }, [attend, madeUp, wanted, tempo, instrument, begin]);
  const timer = useRef(0);
  useEffect(() => () => window.clearTimeout(timer.current), []);
  /** The time to answer is over. */
  const answered = useCallback(() => {
    if (!madeUp && state !== 'listening') return;
    timer.current = window.setTimeout(() => {
      const notes = notesAfter(since.current).filter(({ onset }) => onset > -0.3);
      const round = heardRound(instrument, wanted, notes, madeUp ? OPENING : undefined);
      setHeard(round);
      onHeard(round, madeUp);
    }, DECIDES);
  }, [madeUp, state, notesAfter, wanted, instrument, onHeard]);
  return { ear, heard, called, answering, answered, madeUp, setMadeUp };
}
