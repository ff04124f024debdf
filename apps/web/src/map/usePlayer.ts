import { useCallback, useEffect, useState } from 'react';
import type { LineView } from '@same-song/core';
import { notify } from '../frame/notice.ts';
import { playLine, playNote, SoundNotFetched, stopLine, type Voice } from '../sound/player.ts';

/** Says why nothing sounds. */
export const soundTrouble = (error: unknown) =>
  notify(
    error instanceof SoundNotFetched
      ? 'The sound cannot be fetched: the Same Song server does not answer.'
      : 'No sound could be made here. Check the browser’s sound settings.',
    { kind: 'error' },
  );

/** Plays the line and single notes, and tells which note sounds. */
export function usePlayer(line: readonly LineView[], tempo: number, voice: Voice) {
  const [sounding, setSounding] = useState<string | undefined>(undefined);
  const [playing, setPlaying] = useState(false);
  useEffect(() => stopLine, [line]);
  const toggle = useCallback(() => {
    if (playing) {
      stopLine();
      return;
    }
    setPlaying(true);
    const sounds = line.filter((note) => note.wayId !== undefined);
    const onNote = (noteId: string | undefined) => {
      setSounding(noteId);
      if (noteId === undefined) setPlaying(false);
    };
    playLine(sounds, tempo, voice, onNote).catch((error: unknown) => {
      setPlaying(false);
      soundTrouble(error);
    });
  }, [playing, line, tempo, voice]);
  const hear = useCallback((hz: number) => void playNote(hz, voice.timbre).catch(soundTrouble), [voice]);
  return { sounding, playing, toggle, hear };
}
