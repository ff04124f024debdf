import Button from '@mui/material/Button';
import { useEffect, useMemo, useState } from 'react';
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
import { soundTrouble } from '../map/usePlayer.ts';
import { stopLine } from '../sound/player.ts';
import { CLICK_HZ, playScore, type ScoreSound } from '../sound/score.ts';

interface CallProps {
  readonly ground: { readonly instrument: Instrument; readonly key: Key };
  /** Only what it allows is called. */
  readonly stage: LaidStage | undefined;
  readonly view: MapView;
  readonly a4: number;
  readonly tempo: number;
  readonly timbre: Timbre;
  readonly beats: number;
}

const SILENT = 'Begin, listen for two bars, answer in the two that follow.';

/** A phrase is played, then as long a silence to answer it in; it is shown after that. The same number calls the same again. */
export function CallAndAnswer({ ground, stage, view, a4, tempo, timbre, beats }: CallProps) {
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
  const call = () => {
    const beat = 60 / tempo;
    const length = CALL_BARS * beats * beat;
    const clicks = Array.from({ length: 4 * beats }, (_, i): ScoreSound => ({
      ...{
        kind: 'click',
        at: i * beat,
        seconds: 0,
        loud: 0.5,
        hz: i % beats === 0 ? CLICK_HZ.first : CLICK_HZ.other,
      },
    }));
    const sounds = phrase.map(({ pitch, start, beats: long }): ScoreSound => ({
      ...{ kind: 'melody', at: start * beat, seconds: long * beat, hz: frequency(pitch, a4) },
    }));
    setAt('call');
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
        onNote: (id) => id === undefined && setAt((now) => (now === 'shown' ? now : 'still')),
        onMark: (mark) => setAt(mark as 'answer' | 'shown'),
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
      {at === 'shown' && <p className="call-phrase">{phrase.map(({ pitch }) => tabOf(pitch)).join('  ')}</p>}
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
    </section>
  );
}
