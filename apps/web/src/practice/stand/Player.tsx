import Button from '@mui/material/Button';
import { useEffect, useState, type ReactNode } from 'react';
import {
  isSounding,
  TEMPO_LIMITS,
  type HowToPractise,
  type RepeatMode,
  type RoundState,
} from '@same-song/core';
import { Meter } from '../../ear/Meter.tsx';
import { useShortcuts } from '../../frame/shortcuts.ts';
import { Cautions } from './Cautions.tsx';
import { NoteCards } from './NoteCards.tsx';
import type { Playable } from './playable.ts';
import { PlayerSettings } from './PlayerSettings.tsx';
import { Beats } from '../round/Beats.tsx';
import { useStandPlayer, type StandPlayerState } from '../round/useStandPlayer.ts';
import { Stand } from './Stand.tsx';
import type { RoundBegun, RoundTold } from '../log/useLog.ts';

interface PlayerProps {
  readonly playable: Playable;
  readonly how: HowToPractise;
  /** Tempo at which it was left, or is to begin. */
  readonly tempo: number;
  /** Pitch classes of the keys it is played in now. */
  readonly keys: readonly number[];
  /** What comes after this, in words: the next key, the next item. */
  readonly next: string | undefined;
  readonly onBegin: (round: RoundBegun) => void;
  /** Nothing sounds any more. */
  readonly onRest: () => void;
  readonly onRound: (told: RoundTold) => void;
  /** A round is done with: what is played may change now. */
  readonly onPassed?: () => void;
  readonly children?: ReactNode;
}

/** The stand: what is played, round after round, everything by one key or a pedal. */
export function Player({ next, onPassed = nothing, children, ...played }: PlayerProps) {
  const { playable, how } = played;
  const [mirror, setMirror] = useState(false);
  /** Place of the note that is talked through; undefined while it is played in time. */
  const [card, setCard] = useState<number | undefined>(undefined);
  useEffect(() => setCard(undefined), [playable]);
  const player = useStandPlayer({ ...played, onPassed });
  const { state, send, ear, heard, simulated, mix, setMix } = player;
  const { phase, rung } = state;
  const listens = ear.state === 'listening';
  const listenAlong = () => (listens ? ear.end() : ear.begin({ kind: 'microphone' }));
  const walk = (by: number) =>
    setCard((place) => Math.min(playable.notes.length - 1, Math.max(0, (place ?? -1) + by)));
  const forward = () => {
    if (card !== undefined) return walk(1);
    if (phase === 'over') return send({ kind: 'mark', clean: true });
    if (!isSounding(state)) send({ kind: 'begin' });
  };
  const back = () => {
    if (card !== undefined) return walk(-1);
    send(phase === 'over' ? { kind: 'mark', clean: false } : { kind: 'begin' });
  };
  const toggle = () => send({ kind: phase === 'over' ? 'pass' : isSounding(state) ? 'stop' : 'begin' });
  const repeat = (mode: RepeatMode) => send({ kind: 'mode', mode: state.mode === mode ? 'waits' : mode });
  const faster = (by: number) => {
    const { least, most } = TEMPO_LIMITS;
    send({ kind: 'tempo', perMinute: Math.min(most, Math.max(least, rung.perMinute + by)) });
  };
  const group = 'The player';
  useShortcuts([
    { key: ' ', label: 'Begin or stop', group, run: toggle },
    { key: 'PageDown', label: 'Begin; after a round: it was clean, go on', group, run: forward },
    { key: 'PageUp', label: 'From the beginning; after a round: it was not clean, again', group, run: back },
    { key: 'ArrowRight', label: 'As Page Down', group, run: forward },
    { key: 'ArrowLeft', label: 'As Page Up', group, run: back },
    { key: 'Enter', label: 'As Page Down', group, run: forward },
    { key: 'ArrowUp', label: 'Faster by a step', group, run: () => faster(how.step) },
    { key: 'ArrowDown', label: 'Slower by a step', group, run: () => faster(-how.step) },
    { key: 'n', label: 'Note by note', group, run: () => setCard(card === undefined ? 0 : undefined) },
    { key: 'a', label: 'The next round begins by itself', group, run: () => repeat('goes on') },
    { key: 'm', label: 'Listen along, and judge', group, run: listenAlong },
    { key: 'o', label: 'Round and round without a count', group, run: () => repeat('loops') },
    {
      key: 'l',
      label: 'Hear the line, or only the rest',
      group,
      run: () => setMix({ ...mix, line: mix.line > 0 ? 0 : 1 }),
    },
    { key: 'f', label: 'For a pupil who sits opposite', group, run: () => setMirror(!mirror) },
  ]);
  return (
    <div className="player">
      <header className="player-head">
        <h1>{playable.title}</h1>
        <p>{playable.facts.filter((fact) => fact).join(' · ')}</p>
      </header>
      <div className="player-beat">
        <Beats count={playable.beatsPerBar} state={state} />
        <p className="player-tempo">{rung.perMinute} a minute</p>
        <p className="player-state" role="status">
          {stateWords(state)}
          {heard ? ` ${heard.words}` : ''}
          {heard && simulated ? ' (Made up: not in the log.)' : ''}
        </p>
        {(listens || ear.trouble !== undefined) && (
          <div className="player-ear">
            <Meter ear={ear} />
            {listens && !simulated && (
              <p>Only the click sounds: the rest would count as you. With headphones turn it up.</p>
            )}
            {ear.trouble !== undefined && <p role="alert">{ear.trouble}</p>}
          </div>
        )}
        {phase === 'still' && state.played === 0 && <Cautions cautions={playable.cautions} />}
      </div>
      {card === undefined ? (
        <Stand playable={playable} at={state.place} mirror={mirror} fates={heard?.fates} onNote={setCard} />
      ) : (
        <NoteCards playable={playable} at={card} />
      )}
      <footer className="player-foot">
        <div className="player-keys">
          <PlayerButtons player={player} card={card} onCard={setCard} onWalk={walk} onToggle={toggle} />
          {children}
          <p className="player-ladder">
            <b>
              {state.ladder.from} → {how.wanted}
            </b>{' '}
            by {how.step} · clean {rung.clean} of {state.ladder.raiseAfter} · round{' '}
            {state.played + Number(phase !== 'over')}
            {next !== undefined && (
              <>
                {' '}
                · <span className="player-next">{next}</span>
              </>
            )}
          </p>
        </div>
        <PlayerSettings
          player={player}
          from={how.tempo}
          instrument={playable.instrument}
          canBeAccompanied={playable.form !== undefined}
          isListening={listens}
          onListen={listenAlong}
          isMirrored={mirror}
          onMirror={() => setMirror(!mirror)}
        />
        <p className="player-help">
          Space begins and stops · Page Down clean, go on · Page Up again · ↑ ↓ tempo · ? all keys
        </p>
      </footer>
    </div>
  );
}

interface ButtonsProps {
  readonly player: StandPlayerState;
  readonly card: number | undefined;
  readonly onCard: (place: number | undefined) => void;
  readonly onWalk: (by: number) => void;
  readonly onToggle: () => void;
}

/** What can be done next: walk from note to note, judge the round that is over, begin or stop. */
function PlayerButtons({ player: { state, send }, card, onCard, onWalk, onToggle }: ButtonsProps) {
  if (card !== undefined)
    return (
      <>
        <Button variant="outlined" onClick={() => onWalk(-1)}>
          Back
        </Button>
        <Button variant="contained" onClick={() => onWalk(1)}>
          Next note
        </Button>
        <Button variant="text" onClick={() => onCard(undefined)}>
          In time
        </Button>
      </>
    );
  if (state.phase === 'over')
    return (
      <>
        <Button variant="contained" onClick={() => send({ kind: 'mark', clean: true })}>
          Clean
        </Button>
        <Button variant="outlined" onClick={() => send({ kind: 'mark', clean: false })}>
          Not clean
        </Button>
      </>
    );
  return (
    <>
      <Button variant="contained" onClick={onToggle}>
        {isSounding(state) ? 'Stop' : 'Begin'}
      </Button>
      <Button variant="outlined" onClick={() => onCard(0)}>
        Note by note
      </Button>
    </>
  );
}

const nothing = () => undefined;

const PHASE_WORDS = {
  still: 'Ready.',
  resting: 'Ready.',
  counting: 'Counting in …',
  playing: 'Playing.',
  over: 'Was it clean?',
} as const;

const MOVED_WORDS = { up: ' Faster now.', down: ' A step back.', top: ' That is the tempo you wanted.' };

function stateWords({ phase, rung }: RoundState): string {
  return PHASE_WORDS[phase] + (rung.moved ? MOVED_WORDS[rung.moved] : '');
}
