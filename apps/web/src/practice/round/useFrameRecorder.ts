import { useCallback, useRef } from 'react';
import { notesOf, type HearOptions, type HeardNote, type NoteFrame } from '@same-song/core/ear';
import { useEar, type Ear } from '../../ear/useEar.ts';

/** An ear that remembers what it heard, on the clock of this page. */
export interface FrameRecorder {
  readonly ear: Ear;
  /** Forgets all that was heard so far. */
  readonly forget: () => void;
  /** Forgets what was heard before a time. @param ms on the clock of `performance.now` */
  readonly forgetBefore: (ms: number) => void;
  /** Notes that are remembered, in seconds after a time. @param ms on the clock of `performance.now` */
  readonly notesSince: (ms: number) => readonly HeardNote[];
}

/** Listens for what shall be laid beside something that is timed by this page. */
export function useFrameRecorder(hearing: Required<HearOptions>): FrameRecorder {
  const frames = useRef<NoteFrame[]>([]);
  /** Milliseconds of this page's clock when sound began to be heard: what is told soonest tells it best. */
  const zero = useRef(Infinity);
  const forget = useCallback(() => {
    frames.current = [];
  }, []);
  const ear = useEar(
    hearing,
    (more, told) => {
      frames.current.push(...more);
      zero.current = Math.min(zero.current, performance.now() - 1000 * told.heard);
    },
    () => {
      forget();
      zero.current = Infinity;
    },
  );
  const forgetBefore = useCallback((ms: number) => {
    const from = (ms - zero.current) / 1000;
    frames.current = frames.current.filter(({ time }) => time >= from);
  }, []);
  const notesSince = useCallback(
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
  return { ear, forget, forgetBefore, notesSince };
}
