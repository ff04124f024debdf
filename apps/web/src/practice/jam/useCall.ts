import { useCallback, useEffect, useMemo, useState } from 'react';
import type { Instrument, Timbre } from '@same-song/core/instruments';
import type { Key } from '@same-song/core/music';
import type { DifficultyId, LaidStage } from '@same-song/core/practice';
import type { MapView } from '@same-song/core/route';
import type { HeardRound } from '../round/heardRound.ts';
import { useRoundListening } from '../round/useRoundListening.ts';
import { useRoundMachine } from '../round/useRoundMachine.ts';
import { SIMULATED_PLAYERS } from '../stand/simulatedPlayers.ts';
import { callScore, phraseFor, wantedAnswer } from './callScore.ts';

export interface CallOptions {
  readonly ground: { readonly instrument: Instrument; readonly key: Key };
  /** Only what it allows is called. */
  readonly stage: LaidStage | undefined;
  readonly view: MapView;
  readonly a4: number;
  readonly tempo: number;
  readonly timbre: Timbre;
  readonly beats: number;
  readonly onCall: () => void;
  /** Nothing sounds any more. */
  readonly onSilent: () => void;
  /** How an answer went that was listened to. */
  readonly onAnswered: (clean: boolean, ways: HeardRound['ways']) => void;
}

const NONE: readonly string[] = [];
const ONE_TEMPO = Object.freeze({ from: 60, to: 60, step: 1, raiseAfter: 1, fallAfter: 1 });
const PLAYS_WELL = SIMULATED_PLAYERS[0]!;

/** A phrase that is called, the silence to answer it in, and how the answer was heard. The same number calls the same again. */
export function useCall(options: CallOptions) {
  const { ground, stage, view, a4, tempo, timbre, beats, onCall, onSilent, onAnswered } = options;
  const [difficulty, setDifficulty] = useState<DifficultyId>('easy');
  const [number, setNumber] = useState(1);
  const [isSimulated, setIsSimulated] = useState(false);
  const { instrument, key } = ground;
  const allowed = stage?.allowed ?? NONE;
  const phrase = useMemo(
    () => phraseFor({ instrument, key, allowed }, { difficulty, beats, seed: number }),
    [instrument, key, allowed, difficulty, beats, number],
  );
  const wanted = useCallback(
    (perMinute: number) => wantedAnswer({ instrument, allowed }, phrase, { perMinute, beats }),
    [instrument, allowed, phrase, beats],
  );
  const { ear, heard, startListening, join, judge, isListening } = useRoundListening({
    instrument,
    wayIds: allowed,
    wanted,
    simulated: isSimulated ? PLAYS_WELL : undefined,
  });
  const { state, send } = useRoundMachine({
    ladder: ONE_TEMPO,
    tempo,
    mode: 'once',
    subject: phrase,
    lay: () => ({ score: callScore(phrase, { beats, perMinute: tempo, a4 }), timbre }),
    volumeOf: () => 1,
    handlers: {
      began: onCall,
      rested: onSilent,
      report: ({ clean, ways }) => {
        // What the simulated player has answered is nobody's practice.
        if (clean !== undefined && ways && !isSimulated) onAnswered(clean, ways);
      },
      startListening,
      firstBeat: join,
      judge: (since, goesOn) =>
        judge(since, { perMinute: tempo, goesOn }, ({ followed, ways }) =>
          send({ kind: 'judged', clean: followed.clean, ways, goesOn }),
        ),
    },
  });
  useEffect(() => send({ kind: 'listening', on: isListening }), [isListening, send]);
  // Another phrase: nothing of the one before is shown.
  const [shownOf, setShownOf] = useState(phrase);
  const { phase } = state;
  const isShown = phase === 'counting' || phase === 'playing' || (phase === 'over' && shownOf === phrase);
  const tabOf = (pitch: number) =>
    view.ways.find((way) => way.pitch === pitch && (allowed.length === 0 || allowed.includes(way.id)))?.tab ??
    '';
  return {
    phase: isShown ? phase : 'still',
    tabs: phrase.map(({ pitch }) => tabOf(pitch)),
    difficulty,
    setDifficulty,
    number,
    setNumber,
    isSimulated,
    setIsSimulated,
    ear,
    heard,
    listen: () => (ear.state === 'listening' ? ear.end() : ear.begin({ kind: 'microphone' })),
    call: () => {
      setShownOf(phrase);
      send({ kind: 'begin' });
    },
  } as const;
}
