import Button from '@mui/material/Button';
import { useState } from 'react';
import {
  degreesRead,
  OWN_STAGES_LIMIT,
  ROUNDS_A_STAGE,
  type LaidStage,
  type OwnStage,
  type Practised,
} from '@same-song/core/practice';
import { Disclosure } from '../../controls/Disclosure.tsx';
import { NumberField } from '../../controls/NumberField.tsx';
import { LinkButton } from '../../controls/LinkButton.tsx';
import { items, type ItemRecord } from '../../api/records.ts';
import { useRecordActions } from '../../frame/useRecordActions.ts';

type Jam = Practised & { readonly kind: 'jam' };

interface StageRoundsProps {
  readonly item: ItemRecord;
  /** All that there are, those that are left out too. */
  readonly stages: readonly LaidStage[];
}

/** How many rounds each stage has, and stages of one's own, kept with what is practised; no round leaves a stage out. */
export function StageRounds({ item, stages }: StageRoundsProps) {
  const { change, busy } = useRecordActions(items);
  const { id, version, ...before } = item;
  const { what } = before;
  const kept = (what.kind === 'jam' && what.rounds) || NONE;
  const [rounds, setRounds] = useState<Readonly<Record<string, number>>>(kept);
  if (what.kind !== 'jam') return null;
  const own = what.own ?? [];
  const isKept = stages.every(
    (stage) => (rounds[stage.id] ?? stage.rounds) === (kept[stage.id] ?? stage.rounds),
  );
  const put = (part: Partial<Jam>, label: string, notice: string) =>
    change({ id, version }, { after: { ...before, what: { ...what, ...part } }, label, notice });
  return (
    <Disclosure className="player-more" summary="Stages and their rounds">
      <div className="player-settings row">
        {stages.map((stage) => (
          <span key={stage.id} className="stage-rounds">
            <NumberField
              label={stage.label}
              value={rounds[stage.id] ?? ROUNDS_A_STAGE}
              least={0}
              most={64}
              onChange={(count) => setRounds({ ...rounds, [stage.id]: count })}
            />
            {own.some((one) => one.id === stage.id) && (
              <LinkButton
                disabled={busy}
                label={`take out the stage ${stage.label}`}
                onClick={() =>
                  put(
                    { own: own.filter((one) => one.id !== stage.id) },
                    `the stage ${stage.label}`,
                    `${stage.label} is no longer a stage.`,
                  )
                }
              >
                take out
              </LinkButton>
            )}
          </span>
        ))}
        <Button
          size="small"
          variant="outlined"
          disabled={busy || isKept}
          onClick={() => put({ rounds }, 'rounds of each stage', 'The rounds are kept with it.')}
        >
          Keep them
        </Button>
      </div>
      <AddStage
        full={own.length >= OWN_STAGES_LIMIT}
        busy={busy}
        onAdd={(stage) =>
          put({ own: [...own, stage] }, `the stage ${stage.label}`, `${stage.label} is a stage.`)
        }
      />
    </Disclosure>
  );
}

const NONE: Readonly<Record<string, number>> = {};

/** A stage of one's own: what it is called, and the notes that are allowed in it. */
function AddStage({
  full,
  busy,
  onAdd,
}: {
  readonly full: boolean;
  readonly busy: boolean;
  readonly onAdd: (stage: OwnStage) => void;
}) {
  const [label, setLabel] = useState('');
  const [notes, setNotes] = useState('');
  const semitones = degreesRead(notes);
  const isWrong = notes.trim() !== '' && !semitones;
  if (full) return <p>{OWN_STAGES_LIMIT} stages of your own are as many as fit.</p>;
  return (
    <form
      className="player-settings row"
      onSubmit={(event) => {
        event.preventDefault();
        if (!semitones || label.trim() === '') return;
        onAdd({ id: crypto.randomUUID(), label: label.trim(), semitones });
        setLabel('');
        setNotes('');
      }}
    >
      <label>
        A stage of your own, called{' '}
        <input value={label} maxLength={80} size={20} onChange={(event) => setLabel(event.target.value)} />
      </label>
      <label>
        its notes by degree{' '}
        <input
          value={notes}
          maxLength={60}
          size={14}
          placeholder="1 b3 5"
          aria-invalid={isWrong}
          onChange={(event) => setNotes(event.target.value)}
        />
        {isWrong && <small role="alert">Write degrees such as 1 b3 5.</small>}
      </label>
      <Button
        type="submit"
        size="small"
        variant="outlined"
        disabled={busy || !semitones || label.trim() === ''}
      >
        Add the stage
      </Button>
    </form>
  );
}
