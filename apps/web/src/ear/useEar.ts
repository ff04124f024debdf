import { useCallback, useEffect, useRef, useState } from 'react';
import type { HearOptions, NoteFrame } from '@same-song/core/ear';
import type { EarUpdate } from './earWorker.ts';
import { roomMeter, type Loudness } from './roomMeter.ts';
import { CannotListen, listen, type Listening, type Source } from './listen.ts';

/** What is heard. */
export interface Ear extends Loudness {
  readonly state: 'off' | 'asking' | 'listening';
  readonly trouble: string | undefined;
  /** The newest pitch in semitones with cents as a fraction. */
  readonly now: number | null;
  /** The microphone that is listened by, as its device calls it. */
  readonly by: string | undefined;
  begin(source: Source): void;
  end(): void;
}

const SILENT: Loudness = { level: 0, noise: 0, room: 'well' };
/** Whether the meter looks the same: nothing is drawn again for that. */
function isAsLoud(a: Loudness, b: Loudness): boolean {
  return a.level === b.level && a.noise === b.noise && a.room === b.room;
}

const GONE = 'The microphone is gone: it was unplugged, or taken back. Begin again with another.';

/**
 * Listens for an instrument's notes; by microphone it goes on where other notes are to be listened for.
 * @param onFrames what was decided, as it is heard @param onBegin time is counted from 0 again
 */
export function useEar(
  options: Required<HearOptions> | undefined,
  onFrames?: (frames: readonly NoteFrame[], told: EarUpdate) => void,
  onBegin?: () => void,
): Ear {
  const [state, setState] = useState<Ear['state']>('off');
  const [trouble, setTrouble] = useState<string | undefined>(undefined);
  const [now, setNow] = useState<number | null>(null);
  const [simulated, setSimulated] = useState(false);
  const [by, setBy] = useState<string | undefined>(undefined);
  const [loudness, setLoudness] = useState(SILENT);
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
    setLoudness((before) => ({ ...before, level: 0 }));
  }, []);
  const begin = useCallback(
    (wanted: Source) => {
      if (!options) return;
      end();
      const mine = turn.current;
      source.current = wanted;
      latest.current.onBegin?.();
      setTrouble(undefined);
      setSimulated(wanted.kind === 'simulated');
      setState('asking');
      const meter = roomMeter();
      const onUpdate = (update: EarUpdate) => {
        if (mine !== turn.current) return;
        setNow(update.now);
        const next = meter(update);
        setLoudness((before) => (isAsLoud(before, next) ? before : next));
        latest.current.onFrames?.(update.frames, update);
      };
      const onEnd = (gone: boolean) => {
        if (mine !== turn.current) return;
        end();
        if (gone) setTrouble(GONE);
      };
      listen(wanted, options, { onUpdate, onEnd }).then(
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
  // A player that is simulated may rest: that is no microphone without sound.
  const room = simulated && loudness.room === 'dead' ? 'well' : loudness.room;
  return { ...loudness, room, state, trouble, by, now, begin, end };
}
