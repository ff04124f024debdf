import Button from '@mui/material/Button';
import { useCallback, useEffect, useMemo, useState } from 'react';
import {
  DIFFICULTIES,
  type DifficultyId,
  type Instrument,
  type Key,
  type LaidStage,
  type MapView,
  type Timbre,
} from '@same-song/core';
import { Picklist } from '../../controls/Picklist.tsx';
import { Meter } from '../../ear/Meter.tsx';
import { useShortcuts } from '../../frame/shortcuts.ts';
import { callScore, phraseFor, wantedAnswer } from './callScore.ts';
import { Fate } from '../stand/fates.tsx';
import { MADE_UP } from '../stand/faults.ts';
import type { HeardRound } from '../round/heardRound.ts';
import { useRoundListening } from '../round/useRoundListening.ts';
import { useRoundMachine } from '../round/useRoundMachine.ts';

interface CallProps {
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
/** The call is the count of the answer, which is the round that is listened to. */
const STATE_WORDS = {
  still: 'Begin, listen for two bars, answer in the two that follow.',
  counting: 'Listen …',
  playing: 'Answer now.',
  over: 'That was:',
} as const;
const ONE_TEMPO = Object.freeze({ from: 60, to: 60, step: 1, raiseAfter: 1, fallAfter: 1 });
const PLAYS_WELL = MADE_UP[0]!;

/** A phrase is played, then as long a silence to answer it in; it is shown after that. The same number calls the same again. */
export function CallAndAnswer({
  ground,
  stage,
  view,
  a4,
  tempo,
  timbre,
  beats,
  onCall,
  onSilent,
  onAnswered,
}: CallProps) {
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
  const simulated = isSimulated ? PLAYS_WELL : undefined;
  const { ear, heard, attend, join, judge, isListening } = useRoundListening({
    instrument,
    wayIds: allowed,
    wanted,
    simulated,
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
      attend,
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
  const at =
    phase === 'counting' || phase === 'playing' || (phase === 'over' && shownOf === phrase) ? phase : 'still';
  const listen = () => (ear.state === 'listening' ? ear.end() : ear.begin({ kind: 'microphone' }));
  useShortcuts([{ key: 'm', label: 'Listen to the answer', group: 'The player', run: listen }]);
  const call = () => {
    setShownOf(phrase);
    send({ kind: 'begin' });
  };
  const tabOf = (pitch: number) =>
    view.ways.find((way) => way.pitch === pitch && (allowed.length === 0 || allowed.includes(way.id)))?.tab ??
    '';
  return (
    <section className="call" aria-live="polite">
      <p className="call-state">{STATE_WORDS[at]}</p>
      {at === 'over' && (
        <ol className="call-phrase">
          {phrase.map(({ pitch }, i) => (
            <li key={i}>
              {tabOf(pitch)}
              {heard && <Fate fate={heard.fates.get(String(i)) ?? 'missed'} />}
            </li>
          ))}
        </ol>
      )}
      {at === 'over' && heard && (
        <p className="call-heard">
          {heard.words}
          {isSimulated && ' It was made up, and is not in the log.'}
        </p>
      )}
      <p className="player-keys">
        <Button variant="contained" disabled={phrase.length === 0} onClick={call}>
          {at === 'over' ? 'The same again' : 'Call'}
        </Button>
        <Button variant="outlined" onClick={() => setNumber(number + 1)}>
          Another one
        </Button>
        <Button variant="outlined" aria-pressed={ear.state === 'listening' && !isSimulated} onClick={listen}>
          {ear.state === 'listening' && !isSimulated ? 'Listening to the answer' : 'Listen to the answer'}
        </Button>
        <Button variant="outlined" aria-pressed={isSimulated} onClick={() => setIsSimulated(!isSimulated)}>
          {isSimulated ? 'Somebody made up answers' : 'Try it without playing'}
        </Button>
        <Picklist
          label="how hard"
          value={difficulty}
          choices={DIFFICULTIES.map(({ id, label }) => ({ id, label }))}
          onChange={setDifficulty}
        />
        <label className="tool-number">
          number
          <input
            type="number"
            min={1}
            max={9999}
            value={number}
            onChange={(event) =>
              setNumber(Math.max(1, Math.min(9999, Math.floor(Number(event.target.value)) || 1)))
            }
          />
        </label>
      </p>
      {(ear.state === 'listening' || ear.trouble !== undefined) && (
        <div className="player-ear">
          <Meter ear={ear} />
          {ear.trouble !== undefined && <p role="alert">{ear.trouble}</p>}
        </div>
      )}
    </section>
  );
}
