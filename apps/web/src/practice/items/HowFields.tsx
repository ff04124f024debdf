import Button from '@mui/material/Button';
import { useState } from 'react';
import {
  ARTICULATIONS,
  checkHow,
  GROOVES,
  KEY_ORDERS,
  RHYTHMS,
  type HowToPractise,
  type PracticeItem,
} from '@same-song/core/practice';
import { Picklist } from '../../controls/Picklist.tsx';
import { LineFields } from './LineFields.tsx';

const OWN = 'own';

interface HowFieldsProps {
  readonly item: Pick<PracticeItem, 'name' | 'how' | 'what' | 'personId'>;
  readonly persons: readonly { readonly id: string; readonly name: string }[];
  readonly onKeep: (
    part: Pick<PracticeItem, 'name' | 'how' | 'what'> & { readonly personId: string | undefined },
  ) => void;
}

/** How an item is practised: tempo, rhythm, keys, minutes; a wrong value is said at its field. */
export function HowFields({ item, persons, onKeep }: HowFieldsProps) {
  const [name, setName] = useState(item.name);
  const [person, setPerson] = useState(item.personId ?? '');
  const [how, setHow] = useState<HowToPractise>(item.how);
  const [what, setWhat] = useState(item.what);
  const checked = checkHow(how);
  const problemOf = (field: keyof HowToPractise) =>
    checked.ok ? undefined : checked.problems.find((problem) => problem.field === field)?.message;
  const fields = { how, problemOf, onChange: (part: Partial<HowToPractise>) => setHow({ ...how, ...part }) };
  const hasName = name.trim() !== '';
  const isDrill = what.kind === 'drill';
  return (
    <form
      className="how-fields row"
      onSubmit={(event) => {
        event.preventDefault();
        if (!checked.ok || !hasName) return;
        const personId = person === '' ? undefined : person;
        onKeep({ name: name.trim(), how: checked.value, what, personId });
      }}
    >
      <label>
        called{' '}
        <input value={name} maxLength={200} size={34} onChange={(event) => setName(event.target.value)} />
        {!hasName && <small role="alert">It needs a name.</small>}
      </label>
      {!isDrill && <HowNumber {...fields} field="tempo" label="beats a minute from" />}
      {!isDrill && <HowNumber {...fields} field="wanted" label="to" />}
      {!isDrill && <HowNumber {...fields} field="step" label="by" />}
      <HowNumber {...fields} field="minutes" label="minutes at a time" />
      {what.kind === 'line' && (
        <>
          <LineFields question={what.question} onChange={(question) => setWhat({ kind: 'line', question })} />
          <RhythmFields {...fields} />
        </>
      )}
      {!isDrill && (
        <Picklist
          label="accompanied"
          value={how.groove}
          choices={[{ id: '', label: 'not' }, ...GROOVES]}
          onChange={(groove) => setHow({ ...how, groove })}
        />
      )}
      <Picklist
        label="for"
        value={person}
        choices={[
          { id: '', label: 'everybody' },
          ...persons.map(({ id, name: called }) => ({ id, label: called })),
        ]}
        onChange={setPerson}
      />
      <Button type="submit" size="small" variant="contained" disabled={!checked.ok || !hasName}>
        Keep
      </Button>
    </form>
  );
}

interface PartProps {
  readonly how: HowToPractise;
  /** What is wrong with a field, in words. */
  readonly problemOf: (field: keyof HowToPractise) => string | undefined;
  readonly onChange: (part: Partial<HowToPractise>) => void;
}

interface HowNumberProps extends PartProps {
  readonly field: 'tempo' | 'wanted' | 'step' | 'minutes';
  readonly label: string;
}

function HowNumber({ how, problemOf, onChange, field, label }: HowNumberProps) {
  const problem = problemOf(field);
  return (
    <label>
      {label}{' '}
      <input
        type="number"
        value={Number.isFinite(how[field]) ? how[field] : ''}
        aria-invalid={problem !== undefined}
        onChange={(event) => onChange({ [field]: event.target.valueAsNumber })}
      />
      {problem && <small role="alert">{problem}</small>}
    </label>
  );
}

/** What stands in the field of lengths when somebody begins to type them. */
const TYPED_RHYTHM = '1 1/2 1/2';

/** In which lengths a line is played, how they are held, and in which keys. */
function RhythmFields({ how, problemOf, onChange }: PartProps) {
  const [isTyping, setIsTyping] = useState(() => !RHYTHMS.some(({ id }) => id === how.rhythm));
  const problem = problemOf('rhythm');
  return (
    <>
      <Picklist
        label="rhythm"
        value={isTyping ? OWN : how.rhythm}
        choices={[...RHYTHMS, { id: OWN, label: 'typed' }]}
        onChange={(id) => {
          setIsTyping(id === OWN);
          onChange({ rhythm: id === OWN ? TYPED_RHYTHM : id });
        }}
      />
      {isTyping && (
        <label>
          lengths in beats{' '}
          <input
            value={how.rhythm}
            aria-invalid={problem !== undefined}
            onChange={(event) => onChange({ rhythm: event.target.value })}
          />
          {problem && <small role="alert">{problem}</small>}
        </label>
      )}
      <Picklist
        label="played"
        value={how.articulation}
        choices={ARTICULATIONS}
        onChange={(articulation) => onChange({ articulation })}
      />
      <Picklist
        label="keys"
        value={how.order}
        choices={KEY_ORDERS}
        onChange={(order) => onChange({ order })}
      />
    </>
  );
}
