import { useCallback, useEffect, useState } from 'react';
import type { LineView } from '@same-song/core/route';
import { playNote, playScore, stopPlaying } from '../sound/player.ts';
import { soundTrouble } from '../sound/soundTrouble.ts';
import { lineScore, type Voice } from './lineScore.ts';

/** Plays the line and single notes, and tells which note sounds. */
export function usePlayer(line: readonly LineView[], tempo: number, voice: Voice) {
  const [sounding, setSounding] = useState<string | undefined>(undefined);
  const [playing, setPlaying] = useState(false);
  useEffect(() => stopPlaying, [line]);
  const toggle = useCallback(() => {
    if (playing) {
      stopPlaying();
      return;
    }
    setPlaying(true);
    const onNote = (noteId: string | undefined) => {
      setSounding(noteId);
      if (noteId === undefined) setPlaying(false);
    };
    playScore(lineScore(line, tempo, voice), voice.timbre, onNote).catch(() => {
      setPlaying(false);
      soundTrouble();
    });
  }, [playing, line, tempo, voice]);
  const hear = useCallback((hz: number) => void playNote(hz, voice.timbre).catch(soundTrouble), [voice]);
  return { sounding, playing, toggle, hear };
}
