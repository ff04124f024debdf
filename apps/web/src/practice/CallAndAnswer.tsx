import Button from '@mui/material/Button';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import {
  aboveHome,
  callPhrase,
  CALL_BARS,
  DIFFICULTIES,
  frequency,
  type DifficultyId,
  type Instrument,
  type Key,
  type LaidStage,
  type MapView,
  type Timbre,
} from '@same-song/core';
import { Picklist } from '../controls/Picklist.tsx';
import { Meter } from '../ear/Meter.tsx';
import { useShortcuts } from '../frame/shortcuts.ts';
import { soundTrouble } from '../map/usePlayer.ts';
import { stopLine } from '../sound/player.ts';
import { clickAt, playScore, type ScoreSound } from '../sound/score.ts';
import { Fate } from './fates.tsx';
import { useAnswerHeard } from './useAnswerHeard.ts';
import type { HeardRound } from './heardRound.ts';

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
const SILENT = 'Begin, listen for two bars, answer in the two that follow.';

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
  const [at, setAt] = useState<'still' | 'call' | 'answer' | 'shown'>('still');
  const { pitches, homes } = useMemo(() => {
    const allowed = new Set(stage?.allowed);
    const own = ground.instrument.ways.filter(({ id }) => allowed.has(id));
    const rising = [...new Set(own.map(({ pitch }) => pitch))].sort((a, b) => a - b);
    return { pitches: rising, homes: rising.filter((pitch) => aboveHome(ground.key, pitch) === 0) };
  }, [ground, stage]);
  const phrase = useMemo(
    () => (pitches.length > 0 ? callPhrase(pitches, homes, { difficulty, beats, seed: number }) : []),
    [pitches, homes, difficulty, beats, number],
  );
  useEffect(() => stopLine, [phrase]);
  const onHeard = useCallback(
    ({ followed, ways }: HeardRound, isMadeUp: boolean) => {
      // What somebody made up has answered is nobody's practice.
      if (!isMadeUp) onAnswered(followed.clean, ways);
    },
    [onAnswered],
  );
  const { ear, heard, called, answering, answered, madeUp, setMadeUp } = useAnswerHeard({
    ...{ instrument: ground.instrument, phrase, tempo, allowed: stage?.allowed ?? NONE, onHeard },
  });
  /** The marks of the sound are told to what stands now, not to what stood when it began. */
  const marks = useRef({ answer: answering, shown: answered });
  useEffect(() => {
    marks.current = { answer: answering, shown: answered };
  });
  const listen = () => (ear.state === 'listening' ? ear.end() : ear.begin({ kind: 'microphone' }));
  useShortcuts([{ key: 'm', label: 'Listen to the answer', group: 'The player', run: listen }]);
  const call = () => {
    const beat = 60 / tempo;
    const length = CALL_BARS * beats * beat;
    const clicks = Array.from({ length: 4 * beats }, (_, i) => clickAt(i * beat, i % beats === 0, 0.5));
    const sounds = phrase.map(({ pitch, start, beats: long }): ScoreSound => ({
      ...{ kind: 'melody', at: start * beat, seconds: long * beat, hz: frequency(pitch, a4) },
    }));
    setAt('call');
    called();
    onCall();
    playScore(
      {
        sounds: [...clicks, ...sounds].sort((a, b) => a.at - b.at),
        marks: [
          { at: length, mark: 'answer' },
          { at: 2 * length, mark: 'shown' },
        ],
        ...{ begins: 0, ends: 2 * length, loop: false, mute: false },
      },
      timbre,
      {
        onNote: (id) => {
          if (id !== undefined) return;
          setAt((now) => (now === 'shown' ? now : 'still'));
          onSilent();
        },
        onMark: (text) => {
          const mark = text as 'answer' | 'shown';
          setAt(mark);
          marks.current[mark]();
        },
      },
    ).catch((error: unknown) => {
      setAt('still');
      soundTrouble(error);
    });
  };
  const tabOf = (pitch: number) =>
    view.ways.find((way) => way.pitch === pitch && (stage?.allowed.includes(way.id) ?? true))?.tab ?? '';
  return (
    <section className="call" aria-live="polite">
      <p className="call-state">
        {at === 'still' ? SILENT : at === 'call' ? 'Listen …' : at === 'answer' ? 'Answer now.' : 'That was:'}
      </p>
      {at === 'shown' && (
        <ol className="call-phrase">
          {phrase.map(({ pitch }, i) => (
            <li key={i}>
              {tabOf(pitch)}
              {heard && <Fate fate={heard.fates.get(String(i)) ?? 'missed'} />}
            </li>
          ))}
        </ol>
      )}
      {at === 'shown' && heard && (
        <p className="call-heard">
          {heard.words}
          {madeUp && ' It was made up, and is not in the log.'}
        </p>
      )}
      <p className="player-keys">
        <Button variant="contained" disabled={phrase.length === 0} onClick={call}>
          {at === 'shown' ? 'The same again' : 'Call'}
        </Button>
        <Button
          variant="outlined"
          onClick={() => {
            setAt('still');
            setNumber(number + 1);
          }}
        >
          Another one
        </Button>
        <Button variant="outlined" aria-pressed={ear.state === 'listening' && !madeUp} onClick={listen}>
          {ear.state === 'listening' && !madeUp ? 'Listening to the answer' : 'Listen to the answer'}
        </Button>
        <Button variant="outlined" aria-pressed={madeUp} onClick={() => setMadeUp(!madeUp)}>
          {madeUp ? 'Somebody made up answers' : 'Try it without playing'}
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
