import { useCallback, useEffect, useRef, useState } from 'react';
import type { HearOptions, NoteFrame } from '@same-song/core';
import type { EarTold } from './earWorker.ts';
import { CannotListen, listen, type Listening, type Source } from './listen.ts';

/** What the meter says of the room. */
export type Room = 'quiet' | 'well' | 'loud' | 'noisy' | 'dead';

/** What is heard. */
export interface Ear {
  readonly state: 'off' | 'asking' | 'listening';
  readonly trouble: string | undefined;
  /** The newest pitch in semitones with cents as a fraction. */
  readonly now: number | null;
  /** The microphone that is listened by, as its device calls it. */
  readonly by: string | undefined;
  /** From 0 to 1, as it looks: −60 dB and less is nothing. */
  readonly level: number;
  /** The same of the room while no note sounds. */
  readonly noise: number;
  readonly room: Room;
  begin(source: Source): void;
  end(): void;
}

/** Louder than this a sample is cut, and nothing is measured rightly. */
const CLIPS = 0.985;
/** Softer is too quiet to be sure, in decibels; said only after so many seconds without a note. */
const QUIET = -55;
const PATIENCE = 4;
/** A room that is louder without a note hides soft ones, in decibels. */
const NOISY = -34;
/** How fast the room is believed to have grown louder, in decibels a second. */
const GROWS = 3;

/** How loud it looks: −60 dB and less is nothing. */
function shown(decibels: number): number {
  return Math.max(0, Math.min(1, 1 + decibels / 60));
}

/**
 * Listens for an instrument's notes; by microphone it goes on where other notes are to be listened for.
 * @param onFrames what was decided, as it is heard @param onBegin time is counted from 0 again
 */
export function useEar(
  options: Required<HearOptions> | undefined,
  onFrames?: (frames: readonly NoteFrame[], told: EarTold) => void,
  onBegin?: () => void,
): Ear {
  const [state, setState] = useState<Ear['state']>('off');
  const [trouble, setTrouble] = useState<string | undefined>(undefined);
  const [now, setNow] = useState<number | null>(null);
  const [by, setBy] = useState<string | undefined>(undefined);
  const [level, setLevel] = useState(0);
  const [noise, setNoise] = useState(0);
  const [room, setRoom] = useState<Room>('well');
  const running = useRef<Listening | undefined>(undefined);
  const turn = useRef(0);
  /** By what is listened, and by what it goes on. */
  const source = useRef<Source>(undefined);
  const goesOn = useRef<Source>(undefined);
  const latest = useRef({ onFrames, onBegin });
  useEffect(() => {
    latest.current = { onFrames, onBegin };
  });
  const end = useCallback(() => {
    turn.current += 1;
    source.current = undefined;
    running.current?.end();
    running.current = undefined;
    setState('off');
    setBy(undefined);
    setNow(null);
    setLevel(0);
  }, []);
  const begin = useCallback(
    (wanted: Source) => {
      if (!options) return;
      end();
      const mine = turn.current;
      source.current = wanted;
      latest.current.onBegin?.();
      setTrouble(undefined);
      setState('asking');
      let lastNote = 0;
      let lastSound = 0;
      let before = 0;
      let floor = 0;
      const onTold = (told: EarTold) => {
        if (mine !== turn.current) return;
        const decibels = 10 * Math.log10(told.power + 1e-9);
        if (told.now !== null) lastNote = told.heard;
        if (told.peak > 0) lastSound = told.heard;
        floor = Math.min(decibels, floor + GROWS * (told.now === null ? told.heard - before : 0));
        before = told.heard;
        setNow(told.now);
        setLevel(shown(decibels));
        setNoise(shown(floor));
        const waits = (since: number) => told.heard - since > PATIENCE;
        setRoom(
          told.peak > CLIPS
            ? 'loud'
            : waits(lastSound)
              ? 'dead'
              : waits(lastNote) && decibels < QUIET
                ? 'quiet'
                : floor > NOISY && told.heard > PATIENCE
                  ? 'noisy'
                  : 'well',
        );
        latest.current.onFrames?.(told.frames, told);
      };
      const onEnd = (gone: boolean) => {
        if (mine !== turn.current) return;
        end();
        if (gone)
          setTrouble('The microphone is gone: it was unplugged, or taken back. Begin again with another.');
      };
      listen(wanted, options, { onTold, onEnd }).then(
        (made) => {
          if (mine !== turn.current) return made.end();
          running.current = made;
          setBy(made.by);
          setState('listening');
        },
        (error: unknown) => {
          if (mine !== turn.current) return;
          end();
          setTrouble(error instanceof CannotListen ? error.message : String(error));
        },
      );
    },
    [options, end],
  );
  useEffect(() => {
    if (goesOn.current) begin(goesOn.current);
    return () => {
      goesOn.current = source.current?.kind === 'microphone' ? source.current : undefined;
      end();
    };
  }, [begin, end]);
  return { state, trouble, by, now, level, noise, room, begin, end };
}
