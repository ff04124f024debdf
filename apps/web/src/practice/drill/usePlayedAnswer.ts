import { useCallback, useEffect, useMemo, useRef } from 'react';
import { earFor, simulatedPlayer, soundsAt, steadyNotes, waysMeant } from '@same-song/core/ear';
import type { Instrument } from '@same-song/core/instruments';
import type { Key } from '@same-song/core/music';
import { playedAnswer, type DrillQuestion } from '@same-song/core/practice';
import { useEar } from '../../ear/useEar.ts';

interface Answering {
  readonly ground: { readonly instrument: Instrument; readonly key: Key } | undefined;
  /** What waits for an answer; undefined while nothing does. */
  readonly question: DrillQuestion | undefined;
  /** @param given id of a way or of a choice */
  readonly onAnswer: (given: string, isSimulated: boolean) => void;
}

/** The room goes on sounding for so long after the page has fallen silent, in ms. */
const RINGS = 350;

/** Answers a drill with what is played: a note counts as soon as it stands. */
export function usePlayedAnswer({ ground, question, onAnswer }: Answering) {
  const instrument = ground?.instrument;
  const options = useMemo(() => instrument && earFor(instrument), [instrument]);
  const notes = useRef(steadyNotes(false));
  const isSimulated = useRef(false);
  /** Until then the page itself sounds, on its own clock in ms. */
  const until = useRef(0);
  const latest = useRef({ ground, question, onAnswer });
  useEffect(() => {
    latest.current = { ground, question, onAnswer };
  });
  const ear = useEar(
    options,
    (frames) => {
      for (const { midi } of notes.current.push(frames)) {
        const now = latest.current;
        if (!now.ground || !now.question || performance.now() < until.current) continue;
        const meant = waysMeant(now.ground.instrument, midi).map(({ way }) => way);
        const given = playedAnswer(now.question, now.ground.key, meant);
        if (given !== undefined) now.onAnswer(given, isSimulated.current);
      }
    },
    () => {
      notes.current = steadyNotes(options?.struck ?? false);
    },
  );
  const { begin: beginEar, end, state } = ear;
  const begin = useCallback(() => {
    isSimulated.current = false;
    beginEar({ kind: 'microphone' });
  }, [beginEar]);
  /** The page sounds for so many seconds from now on. */
  const sounding = useCallback((seconds: number) => {
    until.current = performance.now() + 1000 * seconds + RINGS;
  }, []);
  /** Somebody who is made up answers this one rightly. */
  const answerSimulated = useCallback(() => {
    const now = latest.current;
    const way = now.ground?.instrument.ways.find(
      (one) => now.question && playedAnswer(now.question, now.ground!.key, [one]) === now.question.right[0],
    );
    if (!way) return;
    const { instrument: on } = now.ground!;
    until.current = 0;
    isSimulated.current = true;
    const played = [{ id: way.id, at: 0.2, midi: soundsAt(on, way), seconds: 0.6 }];
    const make = (rate: number) => simulatedPlayer(played, { rate, timbre: on.family.timbre });
    beginEar({ kind: 'simulated', make });
  }, [beginEar]);
  const toggle = state === 'listening' ? end : begin;
  return { ear, toggle, sounding, answerSimulated };
}
