import Button from '@mui/material/Button';
import { counted } from '@same-song/core';
import { GROOVES } from '@same-song/core/practice';
import { Picklist } from '../../controls/Picklist.tsx';
import { TempoField } from '../../controls/TempoField.tsx';
import { Mixer } from '../stand/Mixer.tsx';
import type { JamState } from './useJam.ts';

/** Rounds after which it stops; 0 for never. */
const STOPS = [0, 2, 4, 8, 16].map((rounds) => ({
  id: String(rounds),
  label: rounds === 0 ? 'never' : counted(rounds, 'round'),
}));

interface JamToolsProps {
  readonly jam: JamState;
  readonly isCalling: boolean;
  readonly onCalling: (calling: boolean) => void;
}

/** Beginning and stopping, tempo, groove and how loud each part is. */
export function JamTools({ jam, isCalling, onCalling }: JamToolsProps) {
  return (
    <footer className="player-foot">
      <div className="player-keys row">
        <Button variant="contained" onClick={jam.toggle}>
          {jam.isPlaying ? 'Stop' : 'Begin'}
        </Button>
        <Button variant="outlined" aria-pressed={isCalling} onClick={() => onCalling(!isCalling)}>
          {isCalling ? 'Back to the drawing' : 'Call and answer'}
        </Button>
        <TempoField tempo={jam.tempo} onTempo={jam.setTempo} />
        <Picklist label="groove" value={jam.groove} choices={GROOVES} onChange={jam.setGroove} />
        <Picklist
          label="stop after"
          value={String(jam.stopAfter)}
          choices={STOPS}
          onChange={(id) => jam.setStopAfter(Number(id))}
        />
      </div>
      <Mixer mix={jam.mix} onMix={jam.setMix} accompanied melody={false} />
      <p className="player-help">
        Space begins and stops · Page Down the next stage · C call and answer · ↑ ↓ tempo
      </p>
    </footer>
  );
}
