import { useCallback, useEffect, useRef, useState } from 'react';
import { gatherNotes, type HeardNote, type NoteFrame } from '@same-song/core/ear';
import type { Ear } from './useEar.ts';

export type OnFrames = (frames: readonly NoteFrame[]) => void;

/** An ear and whoever wants to know what it hears. */
export interface Heard {
  readonly ear: Ear;
  /** What rings on after each note is told from what is blown. */
  readonly struck: boolean;
  /** @returns what ends it */
  listen(to: OnFrames): () => void;
}

/** Passes what is heard on to all who listen. */
export function useListeners() {
  const listeners = useRef(new Set<OnFrames>());
  const pass = useCallback((frames: readonly NoteFrame[]) => {
    for (const listener of listeners.current) listener(frames);
  }, []);
  const listen = useCallback((to: OnFrames) => {
    listeners.current.add(to);
    return () => listeners.current.delete(to);
  }, []);
  return { pass, listen };
}

/**
 * Notes that were heard, each told once when it has ended: with the listening, or with its part at the latest.
 * @param onNotes the latest is called @param part what is played now; a note belongs to the part in which it began
 */
export function useHeardNotes(
  { ear: { state }, struck, listen }: Heard,
  onNotes: (notes: readonly HeardNote[]) => void,
  part?: string,
) {
  const latest = useRef(onNotes);
  useEffect(() => {
    latest.current = onNotes;
  });
  useEffect(() => {
    if (state !== 'listening') return undefined;
    const gather = gatherNotes(struck);
    const tell = (notes: readonly HeardNote[]) => {
      if (notes.length > 0) latest.current(notes);
    };
    const leave = listen((frames) => tell(gather.push(frames)));
    return () => {
      leave();
      // The last note has ended with the listening.
      tell(gather.end());
    };
  }, [state, struck, listen, part]);
}

/** A note that was heard, with the way that was meant where somebody said it. */
export interface Gathered {
  readonly midi: number;
  readonly wayId?: string;
}

/** Notes that were collected, and how they are forgotten. */
export type Gathering = ReturnType<typeof useGathered>;

/** Collects notes. @param meant the way that is meant while they are played */
export function useGathered(heard: Heard, meant?: string) {
  const [gathered, setGathered] = useState<readonly Gathered[]>([]);
  useHeardNotes(
    heard,
    (notes) =>
      setGathered((before) => [
        ...before,
        ...notes.map(({ midi }) => ({ midi, ...(meant !== undefined && { wayId: meant }) })),
      ]),
    meant,
  );
  const clear = useCallback(() => setGathered([]), []);
  const dropLast = useCallback(() => setGathered((before) => before.slice(0, -1)), []);
  return { gathered, clear, dropLast };
}
