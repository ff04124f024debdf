import { useCallback, useEffect, useMemo, useState } from 'react';
import type { Family } from '@same-song/core/instruments';
import { frequency } from '@same-song/core/music';
import { songPerformance, tempoOf, type SongView } from '@same-song/core/song';
import { playScore, stopPlaying } from '../../sound/player.ts';
import { clickAt, type ScoreSound } from '../../sound/score.ts';
import { soundTrouble } from '../../sound/soundTrouble.ts';

/** What is heard beside the melody, and how often. */
export interface Hearing {
  readonly chords: boolean;
  readonly voices: boolean;
  readonly drone: boolean;
  readonly click: boolean;
  readonly countIn: boolean;
  readonly repeats: boolean;
  readonly loop: boolean;
  /** The melody is followed, but not heard: for playing along. */
  readonly mute: boolean;
}

export const HEARING: Hearing = Object.freeze({
  chords: true,
  voices: true,
  drone: false,
  click: false,
  countIn: false,
  repeats: false,
  loop: false,
  mute: false,
});

interface Played {
  readonly view: SongView;
  readonly family: Family;
  /** Hz of A4. */
  readonly a4: number;
  /** Counted beats a minute. */
  readonly perMinute: number;
  readonly hearing: Hearing;
  readonly passage: { readonly from: string; readonly to: string } | undefined;
}

/** Plays a song as it is arranged, and tells which note of the melody sounds. */
export function useSongPlayer({ view, family, a4, perMinute, hearing, passage }: Played) {
  const [sounding, setSounding] = useState<string | undefined>(undefined);
  const [playing, setPlaying] = useState(false);
  useEffect(() => stopPlaying, [view, hearing, passage?.from, passage?.to]);
  const hzOf = useMemo(
    () => new Map(view.line.flatMap(({ id, hz, wayId }) => (wayId === undefined ? [] : [[id, hz]]))),
    [view],
  );
  const toggle = useCallback(() => {
    if (playing) {
      stopPlaying();
      return;
    }
    const { soundings, begins, ends } = songPerformance(view.song, {
      perMinute,
      repeats: hearing.repeats,
      countIn: hearing.countIn,
      click: hearing.click,
      ...(passage && { passage }),
    });
    const heard = {
      melody: true,
      grace: true,
      voice: hearing.voices,
      chord: hearing.chords,
      drone: hearing.drone,
    };
    const sounds = soundings.flatMap(({ kind, at, seconds, pitch, noteId }): ScoreSound[] => {
      if (kind === 'click') return [clickAt(at, pitch === 1)];
      // A note that cannot be had is a silence, as it is for who plays.
      const hz = kind === 'melody' ? hzOf.get(noteId!) : frequency(pitch, a4);
      return hz !== undefined && heard[kind] ? [{ kind, at, seconds, hz, noteId }] : [];
    });
    setPlaying(true);
    const onNote = (noteId: string | undefined) => {
      setSounding(noteId);
      if (noteId === undefined) setPlaying(false);
    };
    const score = { sounds, begins, ends, loop: hearing.loop || passage !== undefined, mute: hearing.mute };
    playScore(score, family.timbre, onNote).catch(() => {
      setPlaying(false);
      soundTrouble();
    });
  }, [playing, view, perMinute, hearing, passage, hzOf, a4, family]);
  return { sounding, playing, toggle };
}

/** Beats a minute in which a song begins. */
export function usualTempo(view: SongView): number {
  return Math.round(tempoOf(view.song).perMinute);
}
