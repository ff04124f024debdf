import Button from '@mui/material/Button';
import type { Instrument } from '@same-song/core/instruments';
import { FACTORS, GROOVES, TEMPO_LIMITS, type RepeatMode } from '@same-song/core/practice';
import { Disclosure } from '../../controls/Disclosure.tsx';
import { Picklist } from '../../controls/Picklist.tsx';
import { TempoField } from '../../controls/TempoField.tsx';
import { SIMULATED_PLAYERS, simulatedOn } from './simulatedPlayers.ts';
import { Mixer } from './Mixer.tsx';
import type { StandPlayerState } from '../round/useStandPlayer.ts';

interface SettingsProps {
  readonly player: StandPlayerState;
  /** Counted beats a minute at which it begins. */
  readonly from: number;
  readonly instrument: Instrument;
  readonly canBeAccompanied: boolean;
  readonly isListening: boolean;
  readonly onListen: () => void;
  readonly isMirrored: boolean;
  readonly onMirror: () => void;
}

/** Tempo, sound and how rounds follow each other. */
export function PlayerSettings({
  player,
  from,
  instrument,
  canBeAccompanied,
  isListening,
  onListen,
  isMirrored,
  onMirror,
}: SettingsProps) {
  const { state, send, groove, setGroove, mix, setMix, simulated, setSimulated } = player;
  const setTempo = (perMinute: number) => send({ kind: 'tempo', perMinute });
  return (
    <Disclosure className="player-more" summary="Tempo, sound and more">
      <div className="player-settings row">
        <TempoField tempo={state.rung.perMinute} onTempo={setTempo} />
        {FACTORS.map((factor) => (
          <Button
            key={factor}
            size="small"
            variant="outlined"
            onClick={() => setTempo(Math.min(TEMPO_LIMITS.most, Math.round(from * factor)))}
          >
            ×{factor}
          </Button>
        ))}
        <Picklist
          label="faster after"
          value={String(state.ladder.raiseAfter)}
          choices={[1, 2, 3, 4, 5].map((one) => ({ id: String(one), label: `${one} clean` }))}
          onChange={(id) => send({ kind: 'raise after', rounds: Number(id) })}
        />
        {canBeAccompanied && (
          <Picklist
            label="accompanied"
            value={groove}
            choices={[{ id: '', label: 'not' }, ...GROOVES.map(({ id, label }) => ({ id, label }))]}
            onChange={setGroove}
          />
        )}
        <Mixer mix={mix} onMix={setMix} accompanied={groove !== '' && canBeAccompanied} />
        <Picklist
          label="after a round"
          value={state.mode}
          choices={REPEAT_MODES}
          onChange={(mode) => send({ kind: 'mode', mode })}
        />
        <Button size="small" variant="outlined" aria-pressed={isListening} onClick={onListen}>
          {isListening ? 'Listening along' : 'Listen along'}
        </Button>
        <Picklist
          label="somebody made up"
          value={simulated?.id ?? ''}
          choices={[{ id: '', label: 'does not play' }, ...simulatedOn(instrument)]}
          onChange={(id) => setSimulated(SIMULATED_PLAYERS.find((one) => one.id === id))}
        />
        <Button size="small" variant="outlined" aria-pressed={isMirrored} onClick={onMirror}>
          {isMirrored ? 'Seen from opposite' : 'Seen by the player'}
        </Button>
      </div>
    </Disclosure>
  );
}

const REPEAT_MODES: readonly { readonly id: RepeatMode; readonly label: string }[] = [
  { id: 'waits', label: 'wait' },
  { id: 'goes on', label: 'go on after a pause' },
  { id: 'loops', label: 'round and round, no count' },
];
