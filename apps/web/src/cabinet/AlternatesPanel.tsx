import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import { useState } from 'react';
import type { Problem } from '@same-song/core';
import { CENTS_RANGE, type Instrument, type InstrumentSpec } from '@same-song/core/instruments';
import type { AlternateRow, Candidate } from '@same-song/core/route';
import { Loading } from '../controls/Loading.tsx';
import { LinkButton } from '../controls/LinkButton.tsx';
import { dialectOf, useSettings } from '../api/settings.ts';
import { Check } from '../controls/Check.tsx';
import { OneOf } from '../controls/OneOf.tsx';
import { useAlternates } from '../compute/compute.ts';
import { TableHeads } from '../controls/TableHeads.tsx';

interface AlternatesPanelProps {
  readonly instrument: Instrument;
  readonly spec: InstrumentSpec;
  readonly problems: readonly Problem[];
  readonly onMeasured: (measured: InstrumentSpec['measured']) => void;
  readonly onChoices: (choices: InstrumentSpec['choices']) => void;
}

/**
 * Every pitch that can be had in several ways, side by side: what each asks, what a tuner said, which is recommended
 * and which is the player's choice. Unfolded only when wanted, since some instruments have many.
 */
export function AlternatesPanel(props: AlternatesPanelProps) {
  const [open, setOpen] = useState(false);
  return (
    <details className="alternates" open={open} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary>Which way is right on this instrument? Try each against a tuner</summary>
      {open && <AlternatesTable {...props} />}
    </details>
  );
}

function AlternatesTable(props: AlternatesPanelProps) {
  const { instrument, problems } = props;
  const { settings } = useSettings();
  const [all, setAll] = useState(false);
  const dialect = dialectOf(settings, instrument.family);
  // What is being edited may not be right yet; the table then stays with what last was.
  const { data: rows, error } = useAlternates(instrument.spec, dialect, all ? 1 : 2);
  const wrong = problems.filter((p) => p.field.startsWith('measured') || p.field.startsWith('choices'));
  if (error) return <p role="alert">This table cannot be worked out: {error.message}</p>;
  if (!rows) return <Loading>Comparing every way…</Loading>;
  return (
    <>
      <Check label="pitches with a single way too" checked={all} onChange={setAll} />
      {rows.length === 0 && (
        <p className="editor-hint soft small">No pitch of this instrument can be had in more than one way.</p>
      )}
      {wrong.map((problem) => (
        <p key={problem.field} role="alert" className="editor-problems">
          {problem.message}
        </p>
      ))}
      {rows.map((row) => (
        <AlternateGroup key={row.pitch} row={row} {...props} />
      ))}
    </>
  );
}

function AlternateGroup({ row, spec, onMeasured, onChoices }: AlternatesPanelProps & { row: AlternateRow }) {
  const { candidates } = row;
  const others = spec.choices.filter((id) => !candidates.some((c) => c.wayId === id));
  const chosen = candidates.find((c) => c.chosen);
  const measure = (wayId: string, cents: number | undefined) => {
    const { [wayId]: _, ...rest } = spec.measured;
    onMeasured(cents === undefined ? rest : { ...rest, [wayId]: { pitch: row.pitch, cents } });
  };
  return (
    <Table className="alternate">
      <caption>
        <b>{row.note}</b> between {row.between.join(' and ')}
      </caption>
      <TableHeads columns={['way', 'asks', 'measured cents', 'your choice']} />
      <TableBody>
        {candidates.map((candidate) => (
          <TableRow key={candidate.wayId}>
            <TableCell component="th" scope="row">
              {candidate.tab}
              <span className="below">{candidate.words}</span>
            </TableCell>
            <TableCell>
              {candidate.moves.map((move) => `${move.label} ${move.count}`).join(', ') || 'next to nothing'}
              {candidate.recommended && candidates.length > 1 && <b className="recommended">recommended</b>}
            </TableCell>
            <TableCell>
              <CentsField
                candidate={candidate}
                note={row.note}
                onChange={(cents) => measure(candidate.wayId, cents)}
              />
            </TableCell>
            <TableCell>
              {candidates.length > 1 && (
                <OneOf
                  group={`choice-${row.pitch}`}
                  name={`${candidate.words} for ${row.note}`}
                  checked={candidate.chosen}
                  onChoose={() => onChoices([...others, candidate.wayId])}
                />
              )}
            </TableCell>
          </TableRow>
        ))}
        {chosen && (
          <TableRow>
            <TableCell colSpan={4}>
              <LinkButton onClick={() => onChoices(others)}>No choice: let the line decide</LinkButton>
            </TableCell>
          </TableRow>
        )}
      </TableBody>
    </Table>
  );
}

interface CentsFieldProps {
  readonly candidate: Candidate;
  readonly note: string;
  readonly onChange: (cents: number | undefined) => void;
}

/** What a tuner showed; empty when nothing was measured. */
function CentsField({ candidate, note, onChange }: CentsFieldProps) {
  const { measured, words } = candidate;
  const take = (text: string) => {
    const cents = text.trim() === '' ? undefined : Number(text.replace('−', '-').replace(',', '.'));
    if (cents !== measured && !Number.isNaN(cents)) onChange(cents);
  };
  return (
    <input
      key={measured}
      type="number"
      className="cents"
      step={1}
      min={CENTS_RANGE.lowest}
      max={CENTS_RANGE.highest}
      placeholder="—"
      defaultValue={measured ?? ''}
      aria-label={`measured cents of ${words} for ${note}`}
      onBlur={(event) => take(event.target.value)}
      onKeyDown={(event) => {
        if (event.key !== 'Enter') return;
        event.preventDefault();
        take(event.currentTarget.value);
      }}
    />
  );
}
