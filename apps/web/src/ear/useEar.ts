import { useCallback, useEffect, useRef, useState } from 'react';
import type { HearOptions, NoteFrame } from '@same-song/core';
import type { EarTold } from './earWorker.ts';
import { CannotListen, listen, type Listening, type Source } from './listen.ts';

/** What the meter says of the room. */
export type Room = 'quiet' | 'well' | 'loud';

/** What is heard. */
export interface Ear {
  readonly state: 'off' | 'asking' | 'listening';
  readonly trouble: string | undefined;
  /** The newest pitch in semitones with cents as a fraction. */
  readonly now: number | null;
  /** From 0 to 1, as it looks: −60 dB and less is nothing. */
  readonly level: number;
  readonly room: Room;
  begin(source: Source): void;
  end(): void;
}

/** Louder than this a sample is cut, and nothing is measured rightly. */
const CLIPS = 0.985;
/** Softer is too quiet to be sure, in decibels; said only after so many seconds without a note. */
const QUIET = -55;
const PATIENCE = 4;

/** Listens for an instrument's notes. @param onFrames what was decided, as it is heard */
export function useEar(
  options: Required<HearOptions> | undefined,
  onFrames?: (frames: readonly NoteFrame[], told: EarTold) => void,
): Ear {
  const [state, setState] = useState<Ear['state']>('off');
  const [trouble, setTrouble] = useState<string | undefined>(undefined);
  const [now, setNow] = useState<number | null>(null);
  const [level, setLevel] = useState(0);
  const [room, setRoom] = useState<Room>('well');
  const running = useRef<Listening | undefined>(undefined);
  const turn = useRef(0);
  const latest = useRef(onFrames);
  useEffect(() => {
    latest.current = onFrames;
  });
  const end = useCallback(() => {
    turn.current += 1;
    running.current?.end();
    running.current = undefined;
    setState('off');
    setNow(null);
    setLevel(0);
  }, []);
  useEffect(() => end, [end, options]);
  const begin = useCallback(
    (source: Source) => {
      if (!options) return;
      end();
      const mine = turn.current;
      setTrouble(undefined);
      setState('asking');
      let lastNote = 0;
      const onTold = (told: EarTold) => {
        if (mine !== turn.current) return;
        const decibels = 10 * Math.log10(told.power + 1e-9);
        if (told.now !== null) lastNote = told.heard;
        setNow(told.now);
        setLevel(Math.max(0, Math.min(1, 1 + decibels / 60)));
        const isQuiet = decibels < QUIET && told.heard - lastNote > PATIENCE;
        setRoom(told.peak > CLIPS ? 'loud' : isQuiet ? 'quiet' : 'well');
        latest.current?.(told.frames, told);
      };
      listen(source, options, { onTold, onEnd: end }).then(
        (made) => {
          if (mine !== turn.current) return made.end();
          running.current = made;
          setState('listening');
        },
        (error: unknown) => {
          if (mine !== turn.current) return;
          setState('off');
          setTrouble(error instanceof CannotListen ? error.message : String(error));
        },
      );
    },
    [options, end],
  );
  return { state, trouble, now, level, room, begin, end };
}
