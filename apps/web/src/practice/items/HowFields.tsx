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
} from '@same-song/core';
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
  const isKnown = RHYTHMS.some(({ id }) => id === how.rhythm);
  const [typing, setTyping] = useState(!isKnown);
  const checked = checkHow(how);
  const problemOf = (field: keyof HowToPractise) =>
    checked.ok ? undefined : checked.problems.find((problem) => problem.field === field)?.message;
  const number = (field: 'tempo' | 'wanted' | 'step' | 'minutes', label: string) => (
    <label>
      {label}{' '}
      <input
        type="number"
        value={Number.isFinite(how[field]) ? how[field] : ''}
        aria-invalid={problemOf(field) !== undefined}
        onChange={(event) => setHow({ ...how, [field]: event.target.valueAsNumber })}
      />
      {problemOf(field) && <small role="alert">{problemOf(field)}</small>}
    </label>
  );
  return (
    <form
      className="how-fields"
      onSubmit={(event) => {
        event.preventDefault();
        if (checked.ok && name.trim() !== '')
          onKeep({
            name: name.trim(),
            how: checked.value,
            what,
            personId: person === '' ? undefined : person,
          });
      }}
    >
      <label>
        called{' '}
        <input value={name} maxLength={200} size={34} onChange={(event) => setName(event.target.value)} />
        {name.trim() === '' && <small role="alert">It needs a name.</small>}
      </label>
      {item.what.kind !== 'drill' && number('tempo', 'beats a minute from')}
      {item.what.kind !== 'drill' && number('wanted', 'to')}
      {item.what.kind !== 'drill' && number('step', 'by')}
      {number('minutes', 'minutes at a time')}
      {what.kind === 'line' && (
        <>
          <LineFields question={what.question} onChange={(question) => setWhat({ kind: 'line', question })} />
          <Picklist
            label="rhythm"
            value={typing ? OWN : how.rhythm}
            choices={[...RHYTHMS.map(({ id, label }) => ({ id, label })), { id: OWN, label: 'typed' }]}
            onChange={(id) => {
              setTyping(id === OWN);
              setHow({ ...how, rhythm: id === OWN ? '1 1/2 1/2' : id });
            }}
          />
          {typing && (
            <label>
              lengths in beats{' '}
              <input
                value={how.rhythm}
                aria-invalid={problemOf('rhythm') !== undefined}
                onChange={(event) => setHow({ ...how, rhythm: event.target.value })}
              />
              {problemOf('rhythm') && <small role="alert">{problemOf('rhythm')}</small>}
            </label>
          )}
          <Picklist
            label="played"
            value={how.articulation}
            choices={ARTICULATIONS}
            onChange={(articulation) => setHow({ ...how, articulation })}
          />
          <Picklist
            label="keys"
            value={how.order}
            choices={KEY_ORDERS}
            onChange={(order) => setHow({ ...how, order })}
          />
        </>
      )}
      {item.what.kind !== 'drill' && (
        <Picklist
          label="accompanied"
          value={how.groove}
          choices={[{ id: '', label: 'not' }, ...GROOVES.map(({ id, label }) => ({ id, label }))]}
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
      <Button type="submit" size="small" variant="contained" disabled={!checked.ok || name.trim() === ''}>
        Keep
      </Button>
    </form>
  );
}
