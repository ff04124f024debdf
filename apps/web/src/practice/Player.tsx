import Button from '@mui/material/Button';
import { useCallback, useEffect, useRef, useState, type ReactNode } from 'react';
import { FACTORS, GROOVES, TEMPO_LIMITS, type HowToPractise, type Ladder } from '@same-song/core';
import { Meter } from '../ear/Meter.tsx';
import { Picklist } from '../controls/Picklist.tsx';
import { useShortcuts } from '../frame/shortcuts.ts';
import { TempoField } from '../map/TempoField.tsx';
import { Cautions } from './Cautions.tsx';
import { MADE_UP, type MadeUp } from './faults.ts';
import { Mixer } from './Mixer.tsx';
import { NoteCards } from './NoteCards.tsx';
import type { Playable } from './playable.ts';
import { Stand } from './Stand.tsx';
import { USUAL_MIX } from './roundScore.ts';
import { useClickAlone } from './useClickAlone.ts';
import { useFollow } from './useFollow.ts';
import { useRounds, type Beat, type Following } from './useRounds.ts';
import type { RoundBegun, RoundTold } from './useLog.ts';
import { useSteady } from './useSteady.ts';

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
export function Player({
  playable,
  how,
  tempo,
  keys,
  next,
  onBegin,
  onRest,
  onRound,
  onPassed = nothing,
  children,
}: PlayerProps) {
  const ladder: Ladder = {
    from: Math.min(how.tempo, tempo),
    to: how.wanted,
    step: how.step,
    raiseAfter: 3,
    fallAfter: 2,
  };
  const [raiseAfter, setRaiseAfter] = useState(3);
  const [groove, setGroove] = useState(how.groove);
  const [mix, setMix] = useState(USUAL_MIX);
  const [following, setFollowing] = useState<Following>('waits');
  const [mirror, setMirror] = useState(false);
  const [madeUp, setMadeUp] = useState<MadeUp | undefined>(undefined);
  /** Place of the note that is talked through; undefined while it is played in time. */
  const [card, setCard] = useState<number | undefined>(undefined);
  const told = useCallback(
    (round: Pick<RoundTold, 'clean' | 'tempo' | 'ways'>) => {
      // What somebody made up has played is nobody's practice.
      if (!madeUp) onRound({ ...round, keys });
    },
    [onRound, keys, madeUp],
  );
  const begun = useCallback(
    (at: number) => {
      if (!madeUp) onBegin({ tempo: at, keys });
    },
    [onBegin, keys, madeUp],
  );
  const rested = useCallback(() => {
    if (!madeUp) onRest();
  }, [onRest, madeUp]);
  const [steady] = useState(ladder);
  const rounds = useRounds({
    ...{ playable, tempo, groove, mix, following, onPassed },
    onBegin: begun,
    onRest: rested,
    ladder: useSteady({ ...steady, raiseAfter }),
    onRound: told,
  });
  const { stage, rung, at, beat, begin, stop, mark, pass, setTempo } = rounds;
  useEffect(() => setCard(undefined), [playable]);
  const heardWays = useRef<RoundTold['ways']>(undefined);
  const judge = (clean: boolean) => {
    mark(clean, true, heardWays.current);
    heardWays.current = undefined;
  };
  const { ear, heard } = useFollow({
    ...{ playable, stage, at, madeUp },
    beat: beat.beat,
    perMinute: rung.perMinute,
    onHeard({ followed: { clean }, ways }, goesOn) {
      if (goesOn) return told({ clean, tempo: rung.perMinute, ways });
      heardWays.current = ways;
      // A clean round speaks for itself; of others the player says how it was, where there is time to.
      if (clean || following === 'goes on') judge(clean);
    },
  });
  const listens = ear.state === 'listening';
  useClickAlone(ear.state !== 'off' || madeUp !== undefined, mix, setMix);
  const listenAlong = () => (listens ? ear.end() : ear.begin({ kind: 'microphone' }));
  const walk = (by: number) =>
    setCard((place) => Math.min(playable.notes.length - 1, Math.max(0, (place ?? -1) + by)));
  const forward = () => {
    if (card !== undefined) return walk(1);
    if (stage === 'over') return judge(true);
    if (stage === 'still') begin();
  };
  const back = () => {
    if (card !== undefined) return walk(-1);
    if (stage === 'over') return judge(false);
    stop();
    begin();
  };
  const toggle = () => (stage === 'over' ? pass(true) : stage === 'still' ? begin() : stop());
  const follow = (way: Following) => setFollowing(following === way ? 'waits' : way);
  const group = 'The player';
  useShortcuts([
    { key: ' ', label: 'Begin or stop', group, run: toggle },
    { key: 'PageDown', label: 'Begin; after a round: it was clean, go on', group, run: forward },
    { key: 'PageUp', label: 'From the beginning; after a round: it was not clean, again', group, run: back },
    { key: 'ArrowRight', label: 'As Page Down', group, run: forward },
    { key: 'ArrowLeft', label: 'As Page Up', group, run: back },
    { key: 'Enter', label: 'As Page Down', group, run: forward },
    {
      key: 'ArrowUp',
      label: 'Faster by a step',
      group,
      run: () => setTempo(Math.min(TEMPO_LIMITS.most, rung.perMinute + how.step)),
    },
    {
      key: 'ArrowDown',
      label: 'Slower by a step',
      group,
      run: () => setTempo(Math.max(TEMPO_LIMITS.least, rung.perMinute - how.step)),
    },
    { key: 'n', label: 'Note by note', group, run: () => setCard(card === undefined ? 0 : undefined) },
    { key: 'a', label: 'The next round begins by itself', group, run: () => follow('goes on') },
    { key: 'm', label: 'Listen along, and judge', group, run: listenAlong },
    { key: 'o', label: 'Round and round without a count', group, run: () => follow('loops') },
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
        <Beats count={playable.beatsPerBar} beat={beat} counting={stage === 'counting'} />
        <p className="player-tempo">{rung.perMinute} a minute</p>
        <p className="player-state" role="status">
          {STATE_WORDS[stage]}
          {rung.moved === 'up' ? ' Faster now.' : rung.moved === 'down' ? ' A step back.' : ''}
          {rung.moved === 'top' ? ' That is the tempo you wanted.' : ''}
          {heard ? ` ${heard.words}` : ''}
          {heard && madeUp ? ' (Made up: not in the log.)' : ''}
        </p>
        {(listens || ear.trouble !== undefined) && (
          <div className="player-ear">
            <Meter ear={ear} />
            {listens && !madeUp && (
              <p>Only the click sounds: the rest would count as you. With headphones turn it up.</p>
            )}
            {ear.trouble !== undefined && <p role="alert">{ear.trouble}</p>}
          </div>
        )}
        {stage === 'still' && rounds.rounds === 0 && <Cautions cautions={playable.cautions} />}
      </div>
      {card === undefined ? (
        <Stand playable={playable} at={at} mirror={mirror} fates={heard?.fates} onNote={setCard} />
      ) : (
        <NoteCards playable={playable} at={card} />
      )}
      <footer className="player-foot">
        <div className="player-keys">
          {card !== undefined ? (
            <>
              <Button variant="outlined" onClick={() => walk(-1)}>
                Back
              </Button>
              <Button variant="contained" onClick={() => walk(1)}>
                Next note
              </Button>
              <Button variant="text" onClick={() => setCard(undefined)}>
                In time
              </Button>
            </>
          ) : stage === 'over' ? (
            <>
              <Button variant="contained" onClick={() => judge(true)}>
                Clean
              </Button>
              <Button variant="outlined" onClick={() => judge(false)}>
                Not clean
              </Button>
            </>
          ) : (
            <>
              <Button variant="contained" onClick={toggle}>
                {stage === 'still' ? 'Begin' : 'Stop'}
              </Button>
              <Button variant="outlined" onClick={() => setCard(0)}>
                Note by note
              </Button>
            </>
          )}
          {children}
          <p className="player-ladder">
            <b>
              {ladder.from} → {how.wanted}
            </b>{' '}
            by {how.step} · clean {rung.clean} of {raiseAfter} · round{' '}
            {rounds.rounds + Number(stage !== 'over')}
            {next !== undefined && (
              <>
                {' '}
                · <span className="player-next">{next}</span>
              </>
            )}
          </p>
        </div>
        <details className="player-more">
          <summary>Tempo, sound and more</summary>
          <div className="player-settings">
            <TempoField tempo={rung.perMinute} onTempo={setTempo} />
            {FACTORS.map((factor) => (
              <Button
                key={factor}
                size="small"
                variant="outlined"
                onClick={() => setTempo(Math.min(TEMPO_LIMITS.most, Math.round(how.tempo * factor)))}
              >
                ×{factor}
              </Button>
            ))}
            <Picklist
              label="faster after"
              value={String(raiseAfter)}
              choices={[1, 2, 3, 4, 5].map((one) => ({ id: String(one), label: `${one} clean` }))}
              onChange={(id) => setRaiseAfter(Number(id))}
            />
            {playable.form && (
              <Picklist
                label="accompanied"
                value={groove}
                choices={[{ id: '', label: 'not' }, ...GROOVES.map(({ id, label }) => ({ id, label }))]}
                onChange={setGroove}
              />
            )}
            <Mixer mix={mix} onMix={setMix} accompanied={groove !== '' && playable.form !== undefined} />
            <Picklist
              label="after a round"
              value={following}
              choices={FOLLOWING}
              onChange={(way) => setFollowing(way)}
            />
            <Button size="small" variant="outlined" aria-pressed={listens} onClick={listenAlong}>
              {listens ? 'Listening along' : 'Listen along'}
            </Button>
            <Picklist
              label="somebody made up"
              value={madeUp?.id ?? ''}
              choices={[{ id: '', label: 'does not play' }, ...MADE_UP]}
              onChange={(id) => setMadeUp(MADE_UP.find((one) => one.id === id))}
            />
            <Button size="small" variant="outlined" aria-pressed={mirror} onClick={() => setMirror(!mirror)}>
              {mirror ? 'Seen from opposite' : 'Seen by the player'}
            </Button>
          </div>
        </details>
        <p className="player-help">
          Space begins and stops · Page Down clean, go on · Page Up again · ↑ ↓ tempo · ? all keys
        </p>
      </footer>
    </div>
  );
}

const FOLLOWING: readonly { readonly id: Following; readonly label: string }[] = [
  { id: 'waits', label: 'wait' },
  { id: 'goes on', label: 'go on after a pause' },
  { id: 'loops', label: 'round and round, no count' },
];

const nothing = () => undefined;

const STATE_WORDS = {
  still: 'Ready.',
  counting: 'Counting in …',
  playing: 'Playing.',
  over: 'Was it clean?',
} as const;

/** The beats of a bar, the one that sounds filled; the first one is larger. */
function Beats({
  count,
  beat,
  counting,
}: {
  readonly count: number;
  readonly beat: Beat;
  readonly counting: boolean;
}) {
  return (
    <div className={counting ? 'beats counting' : 'beats'} aria-hidden="true">
      {Array.from({ length: Math.ceil(count) }, (_, i) => (
        <span key={i} className={`${i === 0 ? 'beat first' : 'beat'}${i + 1 === beat.beat ? ' now' : ''}`}>
          {i + 1 === beat.beat ? beat.said : i + 1}
        </span>
      ))}
    </div>
  );
}
