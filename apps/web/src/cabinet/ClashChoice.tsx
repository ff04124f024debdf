import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import Radio from '@mui/material/Radio';
import RadioGroup from '@mui/material/RadioGroup';
import { useState } from 'react';
import type { InstrumentSpec } from '@same-song/core/instruments';
import type { Clash } from './useSaving.ts';

type Field = keyof InstrumentSpec;

const LABELS: Readonly<Record<Field, string>> = {
  family: 'Kind',
  name: 'Name',
  layout: 'Layout',
  capability: 'What it can do',
  a4: 'Pitch of A',
  notes: 'Notes',
  measured: 'Measured cents',
  choices: 'Chosen ways',
};

/** The same fields were changed here and elsewhere: both texts, and the choice for each. */
export function ClashChoice({ mine, theirs, fields, choose }: Clash) {
  const [taken, setTaken] = useState<readonly Field[]>([]);
  return (
    <div className="clash" role="alert">
      <h3>This was changed elsewhere while you were editing</h3>
      <p>Whatever only one of you changed is kept. Choose where both did:</p>
      {fields.map((field) => (
        <fieldset key={field}>
          <legend>{LABELS[field]}</legend>
          <RadioGroup
            name={field}
            value={taken.includes(field) ? 'theirs' : 'mine'}
            onChange={(_, side) =>
              setTaken([...taken.filter((f) => f !== field), ...(side === 'theirs' ? [field] : [])])
            }
          >
            <FormControlLabel
              value="mine"
              control={<Radio size="small" />}
              label={<Text side="Yours" text={textOf(mine[field], 'as drawn here')} />}
            />
            <FormControlLabel
              value="theirs"
              control={<Radio size="small" />}
              label={<Text side="There now" text={textOf(theirs[field], 'as it is there')} />}
            />
          </RadioGroup>
        </fieldset>
      ))}
      <Button variant="contained" onClick={() => choose(taken)}>
        Save as chosen
      </Button>
    </div>
  );
}

function Text({ side, text }: { side: string; text: string }) {
  return (
    <>
      {side}: <b dir="auto">{text}</b>
    </>
  );
}

function textOf(value: unknown, otherwise: string): string {
  if (typeof value === 'number') return String(value);
  return typeof value === 'string' ? value || 'nothing' : otherwise;
}
