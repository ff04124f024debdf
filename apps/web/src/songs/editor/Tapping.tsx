import Button from '@mui/material/Button';
import { useEffect, useRef, useState } from 'react';
import { metreAt, songPerformance, tapRhythm, type Song } from '@same-song/core';
import { Picklist } from '../../controls/Picklist.tsx';
import { TEMPO, TempoField } from '../../map/TempoField.tsx';
import { playScore, stopPlaying } from '../../sound/player.ts';
import { clickAt, LEAD } from '../../sound/score.ts';
import { soundTrouble } from '../../sound/soundTrouble.ts';

const METRES = ['2/4', '3/4', '4/4', '6/8', '9/8'] as const;
type MetreName = (typeof METRES)[number];

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

interface TappingProps {
  /** A tune whose notes are all of one length. */
  readonly song: Song;
  readonly onTapped: (song: Song) => void;
}

/** Gives a tune its rhythm: it counts two bars, then every key or click is the next note. */
export function Tapping({ song, onTapped }: TappingProps) {
  const [metre, setMetre] = useState<MetreName>('4/4');
  const [perMinute, setPerMinute] = useState<number>(TEMPO.usual);
  const [taps, setTaps] = useState<readonly number[] | undefined>(undefined);
  const begun = useRef(0);
  const [count, unit] = metre.split('/').map(Number) as [number, number];
  const { beats, beat } = metreAt({ metres: [{ at: 0, count, unit }] }, 0);
  const beatMs = 60_000 / perMinute;
  const onsets = new Set(
    song.parts.flatMap(({ voices }) => voices.flatMap(({ notes }) => notes.map((n) => n.onset))),
  );
  const wanted = onsets.size;
  useEffect(() => stopPlaying, []);
  const start = () => {
    const silent: Song = {
      ...song,
      bars: Array.from({ length: COUNTED_BARS }, () => ({ length: beats * beat })),
      parts: [],
      chords: [],
      metres: [{ at: 0, count, unit }],
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
    setTaps([]);
    const now = () => performance.now();
    begun.current = Infinity;
    playScore({ sounds, begins, ends, loop: false, mute: false }, CLICK_TIMBRE, () =>
      setTaps(undefined),
    ).then(
      () => {
        begun.current = now() + (LEAD + begins) * 1000;
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
    const tapped = tapRhythm(song, {
      taps: times.slice(0, -1),
      end: times.at(-1)!,
      beatMs,
      metre: { count, unit },
    });
    if (tapped.ok) onTapped(tapped.value);
  };
  return (
    <div className="tapping" role="group" aria-label="Tap its rhythm">
      <b>Tap its rhythm</b>
      <Picklist
        label="Counted in"
        value={metre}
        choices={METRES.map((id) => ({ id, label: id }))}
        onChange={setMetre}
      />
      <TempoField tempo={perMinute} onTempo={setPerMinute} />
      {taps ? (
        <Button
          variant="contained"
          autoFocus
          onPointerDown={tap}
          onKeyDown={(event) => {
            if (event.repeat || event.key === 'Tab' || event.key === 'Escape') return;
            event.preventDefault();
            event.stopPropagation();
            tap();
          }}
        >
          {taps.length < wanted ? `Note ${taps.length + 1} of ${wanted}` : 'Once more to end it'}
        </Button>
      ) : (
        <Button variant="outlined" onClick={start}>
          Count two bars, then tap
        </Button>
      )}
      <p className="new-song-help">
        After two bars every key, or a click on the button, is the next note; once more ends the last one.
      </p>
    </div>
  );
}
