import Button from '@mui/material/Button';
import { useState } from 'react';
import { ROUNDS_A_STAGE, type LaidStage } from '@same-song/core';
import { items, type ItemRecord } from '../api/records.ts';
import { useKeeping } from '../frame/useKeeping.ts';

interface StageRoundsProps {
  readonly item: ItemRecord;
  /** All that there are, those that are left out too. */
  readonly stages: readonly LaidStage[];
}

/** How many rounds each stage has, kept with what is practised; none leaves a stage out. */
export function StageRounds({ item, stages }: StageRoundsProps) {
  const { change, busy } = useKeeping(items);
  const { id, version, ...before } = item;
  const kept = before.what.kind === 'jam' ? (before.what.rounds ?? {}) : {};
  const [rounds, setRounds] = useState<Readonly<Record<string, number>>>(kept);
  const { what } = before;
  if (what.kind !== 'jam') return null;
  const isKept = stages.every(
    (stage) => (rounds[stage.id] ?? stage.rounds) === (kept[stage.id] ?? stage.rounds),
  );
  return (
    <details className="player-more">
      <summary>Rounds of each stage</summary>
      <div className="player-settings">
        {stages.map((stage) => (
          <label key={stage.id}>
            {stage.label}{' '}
            <input
              type="number"
              min={0}
              max={64}
              value={rounds[stage.id] ?? ROUNDS_A_STAGE}
              onChange={(event) =>
                setRounds({
                  ...rounds,
                  [stage.id]: Math.max(0, Math.min(64, Math.floor(Number(event.target.value)) || 0)),
                })
              }
            />
          </label>
        ))}
        <Button
          size="small"
          variant="outlined"
          disabled={busy || isKept}
          onClick={() =>
            change(
              { id, version },
              {
                before,
                after: { ...before, what: { ...what, rounds } },
                label: 'rounds of each stage',
                notice: 'The rounds are kept with it.',
              },
            )
          }
        >
          Keep them
        </Button>
      </div>
    </details>
  );
}
