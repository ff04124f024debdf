import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import { isSounding, type HowToPractise, type RoundState } from '@same-song/core/practice';
import { Meter } from '../../ear/Meter.tsx';
import { Cautions } from './Cautions.tsx';
import { NoteCards } from './NoteCards.tsx';
import type { Playable } from './playable.ts';
import { PlayerSettings } from './PlayerSettings.tsx';
import { Beats } from '../round/Beats.tsx';
import { useStandPlayer, type StandPlayerState } from '../round/useStandPlayer.ts';
import { Stand } from './Stand.tsx';
import { useStandKeys } from './useStandKeys.ts';
import type { RoundBegun, RoundResult } from '../log/useLog.ts';

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
  readonly onRound: (told: RoundResult) => void;
  /** A round is done with: what is played may change now. */
  readonly onPassed?: () => void;
  readonly children?: ReactNode;
}

/** The stand: what is played, round after round, everything by one key or a pedal. */
export function Player({ next, onPassed = nothing, children, ...played }: PlayerProps) {
  const { playable, how } = played;
  const player = useStandPlayer({ ...played, onPassed });
  const { state, ear, heard, simulated } = player;
  const { rung } = state;
  const keys = useStandKeys(player, playable, how);
  const { card, setCard, isMirrored, setIsMirrored, isListening } = keys;
  return (
    <div className="player">
      <header className="player-head row">
        <h1>{playable.title}</h1>
        <p>{playable.facts.filter((fact) => fact).join(' · ')}</p>
      </header>
      <div className="player-beat row">
        <Beats count={playable.beatsPerBar} state={state} />
        <p className="player-tempo" role="group" aria-label="The tempo">
          {rung.perMinute} a minute
        </p>
        <p className="player-state" role="status" aria-label="The round">
          {stateWords(state)}
          {heard ? ` ${heard.words}` : ''}
          {heard && simulated ? ' (Made up: not in the log.)' : ''}
        </p>
        {(isListening || ear.trouble !== undefined) && (
          <div className="player-ear" role="group" aria-label="The ear">
            <Meter ear={ear} />
            {isListening && !simulated && (
              <p>Only the click sounds: the rest would count as you. With headphones turn it up.</p>
            )}
            {ear.trouble !== undefined && <p role="alert">{ear.trouble}</p>}
          </div>
        )}
        {state.phase === 'still' && state.played === 0 && <Cautions cautions={playable.cautions} />}
      </div>
      {card === undefined ? (
        <Stand
          playable={playable}
          at={state.place}
          mirror={isMirrored}
          results={heard?.results}
          onNote={setCard}
        />
      ) : (
        <NoteCards playable={playable} at={card} />
      )}
      <footer className="player-foot">
        <div className="player-keys row">
          <PlayerButtons
            player={player}
            card={card}
            onCard={setCard}
            onWalk={keys.walk}
            onToggle={keys.toggle}
          />
          {children}
          <LadderLine state={state} how={how} next={next} />
        </div>
        <PlayerSettings
          player={player}
          from={how.tempo}
          instrument={playable.instrument}
          canBeAccompanied={playable.form !== undefined}
          isListening={isListening}
          onListen={keys.listenAlong}
          isMirrored={isMirrored}
          onMirror={() => setIsMirrored(!isMirrored)}
        />
        <p className="player-help">
          Space begins and stops · Page Down clean, go on · Page Up again · ↑ ↓ tempo · ? all keys
        </p>
      </footer>
    </div>
  );
}

/** From which tempo to which, how far it has come, and what follows. */
function LadderLine({
  state: { ladder, rung, played, phase },
  how,
  next,
}: Pick<StandPlayerState, 'state'> & Pick<PlayerProps, 'how' | 'next'>) {
  return (
    <p className="player-ladder" role="group" aria-label="The climb in tempo">
      <b>
        {ladder.from} → {how.wanted}
      </b>{' '}
      by {how.step} · clean {rung.clean} of {ladder.raiseAfter} · round {played + Number(phase !== 'over')}
      {next !== undefined && (
        <>
          {' '}
          · <span className="strong">{next}</span>
        </>
      )}
    </p>
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
