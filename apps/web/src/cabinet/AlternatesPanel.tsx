import { useState } from 'react';
import {
  CENTS_RANGE,
  type AlternateRow,
  type Candidate,
  type Instrument,
  type InstrumentSpec,
  type Problem,
} from '@same-song/core';
import { dialectOf, useSettings } from '../api/settings.ts';
import { useAlternates } from '../compute/compute.ts';

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
  const wrong = problems.filter((p) => p.field.startsWith('measured') || p.field === 'choices');
  if (error) return <p role="alert">This table cannot be worked out: {error.message}</p>;
  if (!rows) return <p className="loading">Comparing every way…</p>;
  return (
    <>
      <label className="alternates-all">
        <input type="checkbox" checked={all} onChange={(event) => setAll(event.target.checked)} />
        pitches with a single way too
      </label>
      {rows.length === 0 && (
        <p className="editor-hint">No pitch of this instrument can be had in more than one way.</p>
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
    <table className="alternate">
      <caption>
        <b>{row.note}</b> between {row.between.join(' and ')}
      </caption>
      <thead>
        <tr>
          <th scope="col">way</th>
          <th scope="col">asks</th>
          <th scope="col">measured cents</th>
          <th scope="col">your choice</th>
        </tr>
      </thead>
      <tbody>
        {candidates.map((candidate) => (
          <tr key={candidate.wayId}>
            <th scope="row">
              {candidate.tab}
              <span>{candidate.words}</span>
            </th>
            <td>
              {candidate.moves.map((move) => `${move.label} ${move.count}`).join(', ') || 'next to nothing'}
              {candidate.recommended && candidates.length > 1 && <b className="recommended">recommended</b>}
            </td>
            <td>
              <CentsField
                candidate={candidate}
                note={row.note}
                onChange={(cents) => measure(candidate.wayId, cents)}
              />
            </td>
            <td>
              {candidates.length > 1 && (
                <input
                  type="radio"
                  name={`choice-${row.pitch}`}
                  aria-label={`${candidate.words} for ${row.note}`}
                  checked={candidate.chosen}
                  onChange={() => onChoices([...others, candidate.wayId])}
                />
              )}
            </td>
          </tr>
        ))}
        {chosen && (
          <tr>
            <td colSpan={4}>
              <button type="button" className="link" onClick={() => onChoices(others)}>
                No choice: let the line decide
              </button>
            </td>
          </tr>
        )}
      </tbody>
    </table>
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
