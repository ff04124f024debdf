import Button from '@mui/material/Button';
import { useState, type KeyboardEvent } from 'react';
import { NAME_LIMIT, type Instrument } from '@same-song/core/instruments';
import { layouts } from '../api/records.ts';
import { useRecordActions } from '../frame/useRecordActions.ts';

/** Keeps the layout as it stands in the editor, to begin other instruments with. */
export function KeepLayout({ instrument }: { instrument: Instrument }) {
  const { family, layout, description } = instrument;
  const [name, setName] = useState('');
  const { keep, busy } = useRecordActions(layouts);
  const keepIt = () =>
    keep(
      { family: family.id, name: name.trim() || description, layout },
      {
        label: (record) => `keeping the layout ${record.name}`,
        notice: (record) => `The layout “${record.name}” is kept: it stands under “Add an instrument”.`,
        onKept: () => setName(''),
      },
    );
  /** The field stands in the editor's form, which it must not send. */
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key !== 'Enter') return;
    event.preventDefault();
    keepIt();
  };
  return (
    <section aria-label="A layout of your own">
      <h3>Keep as a layout of your own</h3>
      <p className="layout-files row">
        <input
          aria-label="Name of the layout"
          placeholder={description}
          value={name}
          maxLength={NAME_LIMIT}
          onChange={(event) => setName(event.target.value)}
          onKeyDown={onKeyDown}
        />
        <Button size="small" variant="outlined" onClick={keepIt} disabled={busy}>
          Keep the layout
        </Button>
      </p>
    </section>
  );
}
