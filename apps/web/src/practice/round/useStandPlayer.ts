import { useCallback, useEffect, useMemo, useState } from 'react';
import type { HowToPractise, Ladder } from '@same-song/core/practice';
import type { SimulatedPlayer } from '../stand/simulatedPlayers.ts';
import type { Playable } from '../stand/playable.ts';
import type { RoundBegun, RoundResult } from '../log/useLog.ts';
import { roundScore, USUAL_MIX, volumeIn } from './roundScore.ts';
import { useClickAlone } from './useClickAlone.ts';
import { useRoundListening } from './useRoundListening.ts';
import { useRoundMachine } from './useRoundMachine.ts';
import { wantedRound } from './wantedRound.ts';

/** Clean rounds in a row after which the tempo is raised, and others after which it falls, to begin with. */
const RAISE_AFTER = 3;
const FALL_AFTER = 2;

interface StandPlayer {
  readonly playable: Playable;
  readonly how: HowToPractise;
  /** Tempo at which it was left, or is to begin. */
  readonly tempo: number;
  /** Pitch classes of the keys it is played in now. */
  readonly keys: readonly number[];
  readonly onBegin: (round: RoundBegun) => void;
  /** Nothing sounds any more. */
  readonly onRest: () => void;
  readonly onRound: (told: RoundResult) => void;
  /** A round is done with: what is played may change now. */
  readonly onPassed: () => void;
}

/** What is on the stand played round after round, accompanied, listened to and told to the log. */
export function useStandPlayer(player: StandPlayer) {
  const { playable, how, tempo, keys, onBegin, onRest, onRound, onPassed } = player;
  const [ladder] = useState<Ladder>(() => ({
    from: Math.min(how.tempo, tempo),
    to: how.wanted,
    step: how.step,
    raiseAfter: RAISE_AFTER,
    fallAfter: FALL_AFTER,
  }));
  const [groove, setGroove] = useState(how.groove);
  const [mix, setMix] = useState(USUAL_MIX);
  const [simulated, setSimulated] = useState<SimulatedPlayer | undefined>(undefined);
  const { line, instrument } = playable;
  const wayIds = useMemo(() => [...line.values()].flatMap(({ wayId }) => wayId ?? []), [line]);
  const wanted = useCallback((perMinute: number) => wantedRound(playable, perMinute), [playable]);
  const listening = useRoundListening({ instrument, wayIds, wanted, simulated });
  /** What the simulated player has played is nobody's practice. */
  const isPractice = simulated === undefined;
  const { state, send } = useRoundMachine({
    ladder,
    tempo,
    subject: playable,
    lay: (perMinute, loop) => ({
      score: roundScore(playable, perMinute, { groove, loop }),
      timbre: playable.family.timbre,
    }),
    volumeOf: (kind) => volumeIn(mix, kind),
    handlers: {
      began: (perMinute) => isPractice && onBegin({ tempo: perMinute, keys }),
      rested: () => isPractice && onRest(),
      report: (round) => isPractice && onRound({ ...round, keys }),
      passed: onPassed,
      startListening: listening.startListening,
      firstBeat: listening.join,
      judge: (since, goesOn) =>
        listening.judge(since, { perMinute: state.rung.perMinute, goesOn }, ({ followed, ways }) =>
          send({ kind: 'judged', clean: followed.clean, ways, goesOn }),
        ),
    },
  });
  const { isListening, ear, heard } = listening;
  useEffect(() => send({ kind: 'listening', on: isListening }), [isListening, send]);
  useClickAlone(ear.state !== 'off' || simulated !== undefined, mix, setMix);
  return {
    state,
    send,
    ear,
    heard,
    groove,
    setGroove,
    mix,
    setMix,
    simulated,
    setSimulated,
  };
}

export type StandPlayerState = ReturnType<typeof useStandPlayer>;
