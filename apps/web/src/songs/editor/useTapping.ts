import { useEffect, useRef, useState } from 'react';
import { metreAt, songPerformance, tapRhythm, type Song } from '@same-song/core/song';
import { playScore, stopPlaying } from '../../sound/player.ts';
import { clickAt, LEAD, type Score } from '../../sound/score.ts';
import { soundTrouble } from '../../sound/soundTrouble.ts';

/** A click is short and says nothing of an instrument. */
const CLICK_TIMBRE = Object.freeze({
  partials: [1],
  attackMs: 1,
  decayMs: 40,
  sustain: 0,
  releaseMs: 20,
  trembleCents: 0,
});
/** Beats that are counted while it is tapped; nobody taps for longer. */
const COUNTED_BARS = 120;

/** Two bars that are counted and then the beats, in seconds. */
function countScore(
  song: Song,
  { count, unit }: { readonly count: number; readonly unit: number },
  perMinute: number,
): Score {
  const metres = [{ at: 0, count, unit }];
  const { beats, beat } = metreAt({ metres }, 0);
  const silent: Song = {
    ...song,
    bars: Array.from({ length: COUNTED_BARS }, () => ({ length: beats * beat })),
    parts: [],
    chords: [],
    metres,
    tempos: [{ at: 0, beat, perMinute }],
  };
  const { soundings, begins, ends } = songPerformance(silent, {
    perMinute,
    repeats: false,
    countIn: true,
    click: true,
  });
  const sounds = soundings.flatMap(({ kind, at, pitch }) =>
    kind === 'click' ? [clickAt(at, pitch === 1)] : [],
  );
  return { sounds, begins, ends, loop: false, mute: false };
}

/**
 * Counts, and takes a tap for each note of a tune and one more for its end.
 * @param onTapped the tune with the rhythm that was tapped
 */
export function useTapping(
  song: Song,
  metre: { readonly count: number; readonly unit: number },
  perMinute: number,
  onTapped: (song: Song) => void,
) {
  const [taps, setTaps] = useState<readonly number[] | undefined>(undefined);
  /** When the first beat after the count is heard, on the page's clock in ms. */
  const begun = useRef(0);
  const { beats } = metreAt({ metres: [{ at: 0, ...metre }] }, 0);
  const beatMs = 60_000 / perMinute;
  const wanted = new Set(
    song.parts.flatMap(({ voices }) => voices.flatMap(({ notes }) => notes.map(({ onset }) => onset))),
  ).size;
  useEffect(() => stopPlaying, []);
  const start = () => {
    const score = countScore(song, metre, perMinute);
    setTaps([]);
    begun.current = Infinity;
    playScore(score, CLICK_TIMBRE, () => setTaps(undefined)).then(
      () => {
        begun.current = performance.now() + (LEAD + score.begins) * 1000;
      },
      () => {
        setTaps(undefined);
        soundTrouble();
      },
    );
  };
  const tap = () => {
    if (!taps) return;
    const at = performance.now() - begun.current;
    // In the first bar that is counted everybody taps along; the second may hold a pickup.
    if (at < -beats * beatMs) return;
    const all = [...taps, at];
    if (all.length <= wanted) {
      setTaps(all);
      return;
    }
    stopPlaying();
    setTaps(undefined);
    // Begun before the first beat that is counted with it, it has a pickup: a bar is put before.
    const shift = all[0]! < -beatMs / 2 ? beats * beatMs : Math.max(0, -all[0]!);
    const times = all.map((ms) => ms + shift);
    const tapped = tapRhythm(song, { taps: times.slice(0, -1), end: times.at(-1)!, beatMs, metre });
    if (tapped.ok) onTapped(tapped.value);
  };
  return { taps, wanted, start, tap };
}
