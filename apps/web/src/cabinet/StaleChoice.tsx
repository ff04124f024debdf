import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import Button from '@mui/material/Button';
import type { InstrumentSpec } from '@same-song/core';
import { TableHeads } from '../controls/TableHeads.tsx';

interface StaleChoiceProps {
  readonly mine: InstrumentSpec;
  readonly theirs: InstrumentSpec;
  readonly onMine: () => void;
  readonly onTheirs: () => void;
}

const LABELS: Readonly<Record<keyof InstrumentSpec, string>> = {
  family: 'Kind',
  name: 'Name',
  layout: 'Layout',
  capability: 'What it can do',
  a4: 'Pitch of A',
  notes: 'Notes',
  measured: 'Measured cents',
  choices: 'Chosen ways',
};

/** The same instrument was changed elsewhere: both texts, and the choice. */
export function StaleChoice({ mine, theirs, onMine, onTheirs }: StaleChoiceProps) {
  const fields = (Object.keys(LABELS) as (keyof InstrumentSpec)[]).filter(
    (field) => JSON.stringify(mine[field]) !== JSON.stringify(theirs[field]),
  );
  const text = (spec: InstrumentSpec, field: keyof InstrumentSpec) => {
    const value = spec[field];
    return typeof value === 'string' || typeof value === 'number' ? String(value) : 'as drawn there';
  };
  return (
    <div className="stale" role="alert">
      <h3>This was changed elsewhere while you were editing</h3>
      <Table>
        <TableHeads columns={[{ unseen: 'What' }, 'Yours', 'There now']} />
        <TableBody>
          {fields.map((field) => (
            <TableRow key={field}>
              <TableCell component="th" scope="row">
                {LABELS[field]}
              </TableCell>
              <TableCell dir="auto">{text(mine, field)}</TableCell>
              <TableCell dir="auto">{text(theirs, field)}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      <Button variant="contained" onClick={onMine}>
        Keep mine
      </Button>{' '}
      <Button variant="outlined" onClick={onTheirs}>
        Take the other
      </Button>
    </div>
  );
}
