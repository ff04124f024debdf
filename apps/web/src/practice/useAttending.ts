import { useCallback, useRef } from 'react';
import { notesOf, type HearOptions, type HeardNote, type NoteFrame } from '@same-song/core';
import { useEar, type Ear } from '../ear/useEar.ts';

/** What is decided late is waited for, in ms. */
export const DECIDES = 350;
/** Opening the ear takes so long at most before somebody who is made up begins, in seconds. */
export const OPENING = 2;

/** An ear that remembers what it heard, on the clock of this page. */
export interface Attending {
  readonly ear: Ear;
  /** From here on it is remembered. */
  readonly attend: () => void;
  /** Notes that were heard since it attends, in seconds after a time. @param ms on the clock of `performance.now` */
  readonly notesAfter: (ms: number) => readonly HeardNote[];
}

/** Listens for what shall be laid beside something that is timed by this page. */
export function useAttending(hearing: Required<HearOptions>): Attending {
  const frames = useRef<NoteFrame[]>([]);
  /** Milliseconds of this page's clock when sound began to be heard: what is told soonest tells it best. */
  const zero = useRef(Infinity);
  const attend = useCallback(() => {
    frames.current = [];
  }, []);
  const ear = useEar(
    hearing,
    (more, told) => {
      frames.current.push(...more);
      zero.current = Math.min(zero.current, performance.now() - 1000 * told.heard);
    },
    () => {
      attend();
      zero.current = Infinity;
    },
  );
  const notesAfter = useCallback(
    (ms: number) => {
      const from = (ms - zero.current) / 1000;
      return notesOf(frames.current, hearing.struck).map((note) => ({
        ...note,
        onset: note.onset - from,
        end: note.end - from,
      }));
    },
    [hearing],
  );
  return { ear, attend, notesAfter };
}
