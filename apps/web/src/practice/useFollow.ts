import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import {
  follow,
  followedWords,
  midiOf,
  notesOf,
  simulatedPlayer,
  type Followed,
  type NoteFrame,
  type WantedNote,
  type WayCount,
} from '@same-song/core';
import { useEar, type Ear } from '../ear/useEar.ts';
import type { Playable } from './playable.ts';
import type { Stage } from './useRounds.ts';

/** How a round was heard, in words and by way. */
export interface HeardRound {
  readonly followed: Followed;
  readonly words: string;
  readonly ways: Readonly<Record<string, WayCount>>;
}

interface Following {
  readonly playable: Playable;
  readonly perMinute: number;
  readonly stage: Stage;
  /** Place of the note that sounds. */
  readonly at: number | undefined;
  /** The beat that sounds; 0 for none. */
  readonly beat: number;
  /** Somebody who is made up plays along, to see how it works. */
  readonly madeUp: boolean;
  /** A round is over and was followed. */
  readonly onHeard: (heard: HeardRound) => void;
}

/** Opening the ear takes so long at most before somebody who is made up begins, in seconds. */
const OPENING = 2;
/** What is decided late is waited for, in ms. */
const WAITS = 350;

/** Listens while a round is played and judges it when it is over. */
export function useFollow({ playable, perMinute, stage, at, beat, madeUp, onHeard }: Following) {
  const { hearing } = playable;
  const wanted = useMemo(() => wantedOf(playable, perMinute), [playable, perMinute]);
  /** What was heard since the round was counted in. */
  const frames = useRef<NoteFrame[]>([]);
  /** Milliseconds of this page's clock when sound began to be heard: what is told soonest tells it best. */
  const zero = useRef(Infinity);
  const begun = useRef<number | undefined>(undefined);
  const ear = useEar(hearing, (more, told) => {
    frames.current.push(...more);
    zero.current = Math.min(zero.current, performance.now() - 1000 * told.heard);
  });
  const [heard, setHeard] = useState<HeardRound | undefined>(undefined);
  const latest = useRef(onHeard);
  useEffect(() => {
    latest.current = onHeard;
  });
  useEffect(() => {
    if (at === 0) begun.current = performance.now();
  }, [at]);
  useEffect(() => {
    if (stage === 'counting') {
      setHeard(undefined);
      frames.current = [];
    }
    if (stage !== 'over' || (ear.state !== 'listening' && !madeUp)) return undefined;
    const timer = window.setTimeout(() => {
      if (begun.current === undefined) return;
      const from = (begun.current - zero.current) / 1000;
      const last = wanted.at(-1)?.at ?? 0;
      const notes = notesOf(frames.current, hearing.struck)
        .map((note) => ({ ...note, onset: note.onset - from, end: note.end - from }))
        .filter(({ onset }) => onset > -0.5 && onset < last + 0.6 + (madeUp ? OPENING : 0));
      const followed = madeUp ? follow(wanted, notes, OPENING) : follow(wanted, notes);
      const round = { followed, words: followedWords(followed), ways: waysOf(wanted, followed) };
      setHeard(round);
      latest.current(round);
    }, WAITS);
    return () => window.clearTimeout(timer);
  }, [stage, ear.state, madeUp, wanted, hearing]);
  const { begin } = ear;
  const beginAnew = useCallback(
    (source: Parameters<Ear['begin']>[0]) => {
      frames.current = [];
      zero.current = Infinity;
      begin(source);
    },
    [begin],
  );
  const joined = useRef(false);
  useEffect(() => {
    if (stage !== 'counting') {
      joined.current = false;
      return;
    }
    if (!madeUp || beat === 0 || joined.current) return;
    joined.current = true;
    beginAnew({ kind: 'simulated', make: playedAlong(playable, perMinute) });
  }, [stage, beat, madeUp, beginAnew, playable, perMinute]);
  return { ear: { ...ear, begin: beginAnew }, heard };
}

interface Wanted extends WantedNote {
  readonly wayId: string;
}

/** The notes of a round, its first one at 0; of those that begin together the highest. */
function wantedOf({ notes, line }: Playable, perMinute: number): readonly Wanted[] {
  const top = new Map<number, Wanted>();
  for (const { noteId, start } of notes) {
    const note = line.get(noteId);
    if (note?.wayId === undefined) continue;
    const { wayId, hz } = note;
    const wanted = { id: noteId, wayId, midi: midiOf(hz), at: (start * 60) / perMinute };
    if (wanted.midi > (top.get(start)?.midi ?? -Infinity)) top.set(start, wanted);
  }
  return [...top.values()].sort((a, b) => a.at - b.at);
}

function waysOf(wanted: readonly Wanted[], { notes }: Followed): Readonly<Record<string, WayCount>> {
  const ways: Record<string, WayCount> = {};
  for (const [i, { fate }] of notes.entries()) {
    const { wayId } = wanted[i]!;
    const { played, missed } = ways[wayId] ?? { played: 0, missed: 0 };
    ways[wayId] = { played: played + 1, missed: missed + Number(fate !== 'hit') };
  }
  return ways;
}

/** The line of a round as a simulated player plays it, after the count. */
function playedAlong(playable: Playable, perMinute: number): (rate: number) => Float32Array {
  const beat = 60 / perMinute;
  const { phase, beatsPerBar } = playable;
  const after = (phase > 0 ? beatsPerBar + phase : 2 * beatsPerBar) * beat;
  const wanted = wantedOf(playable, perMinute);
  const notes = wanted.map((note, i) => {
    const until = wanted[i + 1]?.at ?? note.at + beat;
    return { ...note, at: note.at + after, seconds: 0.7 * (until - note.at) };
  });
  return (rate) => simulatedPlayer(notes, { rate, timbre: playable.family.timbre });
}
