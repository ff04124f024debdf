import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import { useEffect, useMemo, useRef, useState, type KeyboardEvent, type ReactNode } from 'react';
import type { Problem } from '@same-song/core';
import type { ElementChange, ElementValue, Instrument, LayoutElement } from '@same-song/core/instruments';
import { ownNamer, PITCH_RANGE, parsePitch, pitchText } from '@same-song/core/music';
import { Check } from '../controls/Check.tsx';
import { TableHeads } from '../controls/TableHeads.tsx';

interface ElementTableProps {
  readonly instrument: Instrument;
  readonly problems: readonly Problem[];
  readonly onChange: (element: string, change: ElementChange) => void;
}

/** More columns than this are shown as cells that wrap; cells with more than a pitch need more room. */
const COLUMNS_IN_TABLE = { pitches: 16, values: 8 };

/** Every reed (string, tongue …) with its pitch, each to be typed over. */
export function ElementTable({ instrument, problems, onChange }: ElementTableProps) {
  const { elements } = instrument;
  const call = useMemo(() => callOn(instrument), [instrument]);
  const tables = [...new Set(elements.map((element) => element.table))];
  const messages = problems.filter(
    (p) => p.field.startsWith('layout.') && elements.some((e) => `layout.${e.id}` === p.field),
  );
  const cell = (element: LayoutElement) => (
    <ElementCell
      element={element}
      call={call}
      wrong={messages.some((p) => p.field === `layout.${element.id}`)}
      onChange={onChange}
    />
  );
  return (
    <section aria-label="Pitch of every part">
      <div className="element-tables row">
        {tables.map((table) => (
          <Cells
            key={table ?? ''}
            name={table}
            elements={elements.filter((element) => element.table === table)}
            cell={cell}
          />
        ))}
      </div>
      {messages.length > 0 && (
        <ul className="editor-problems" role="alert">
          {messages.map((problem) => (
            <li key={problem.field}>{problem.message}</li>
          ))}
        </ul>
      )}
      <p className="editor-hint soft small">
        Type a note with its octave (E♭4, f#5), or step by a semitone with ↑ and ↓. Underlined: differs from
        the usual plan.
      </p>
    </section>
  );
}

/** Names an element's pitch as its players do. */
function callOn({ home, ownScale }: Instrument): (element: LayoutElement, pitch: number) => string {
  const own = ownNamer(home, ownScale);
  return ({ called, pitch: now }, pitch) =>
    called && pitch === now ? pitchText(pitch, called) : own.withOctave(pitch);
}

interface CellsProps {
  readonly name: string | undefined;
  readonly elements: readonly LayoutElement[];
  readonly cell: (element: LayoutElement) => ReactNode;
}

/** Rows and columns as on the instrument, or cells that wrap where there are too many columns. */
function Cells({ name, elements, cell }: CellsProps) {
  const rows = [...new Set(elements.map((element) => element.row))];
  const columns = [...new Set(elements.map((element) => element.column))];
  const most = COLUMNS_IN_TABLE[elements.some((e) => e.values.length > 0) ? 'values' : 'pitches'];
  if (columns.length > most)
    return rows.map((row) => (
      <fieldset key={row} className="element-row row">
        <legend>{row}</legend>
        {elements
          .filter((element) => element.row === row)
          .map((element) => (
            <div key={element.id} className="element-cell">
              <span className="element-name soft small">{element.column}</span>
              {cell(element)}
            </div>
          ))}
      </fieldset>
    ));
  return (
    <Table className="elements">
      {name && <caption>{name}</caption>}
      <TableHeads columns={[{ unseen: 'Row' }, ...columns]} />
      <TableBody>
        {rows.map((row) => (
          <TableRow key={row}>
            <TableCell component="th" scope="row">
              {row}
            </TableCell>
            {columns.map((column) => {
              const element = elements.find((e) => e.row === row && e.column === column);
              return <TableCell key={column}>{element && cell(element)}</TableCell>;
            })}
          </TableRow>
        ))}
      </TableBody>
    </Table>
  );
}

interface ElementCellProps {
  readonly element: LayoutElement;
  readonly call: (element: LayoutElement, pitch: number) => string;
  readonly wrong: boolean;
  readonly onChange: (element: string, change: ElementChange) => void;
}

function ElementCell({ element, call, wrong, onChange }: ElementCellProps) {
  return (
    <>
      {element.pitch !== undefined && (
        <PitchField
          key={element.pitch}
          element={element}
          pitch={element.pitch}
          name={call(element, element.pitch)}
          wrong={wrong}
          onChange={(pitch) => onChange(element.id, { pitch })}
        />
      )}
      {element.values.map((value) => (
        <ValueField
          key={value.id}
          element={element}
          value={value}
          wrong={wrong}
          onChange={(next) => onChange(element.id, { values: { [value.id]: next } })}
        />
      ))}
    </>
  );
}

interface PitchFieldProps {
  readonly element: LayoutElement;
  readonly pitch: number;
  /** Of the pitch. */
  readonly name: string;
  readonly wrong: boolean;
  readonly onChange: (pitch: number) => void;
}

/** A pitch as text; it is taken on Enter or when the field is left. What cannot be read stays, with its reason. */
function PitchField({ element, pitch, name, wrong, onChange }: PitchFieldProps) {
  const [text, setText] = useState(name);
  const [problem, setProblem] = useState<string | undefined>(undefined);
  const taken = useRef('');
  // Back to the pitch as it is once what was wrong has been taken back.
  useEffect(() => {
    if (wrong) return;
    taken.current = '';
    setText(name);
  }, [wrong, name]);
  const take = (typed: string) => {
    if (typed === taken.current) return;
    taken.current = typed;
    const read = parsePitch(typed);
    if (!read.ok) {
      setProblem(read.problems[0]!.message);
      return;
    }
    setProblem(undefined);
    if (read.value !== pitch) onChange(read.value);
    else setText(name);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const step = { ArrowUp: 1, ArrowDown: -1 }[event.key];
    if (step !== undefined) {
      event.preventDefault();
      const next = pitch + step;
      if (next >= PITCH_RANGE.lowest && next <= PITCH_RANGE.highest) onChange(next);
    } else if (event.key === 'Enter') {
      event.preventDefault();
      take(text);
    }
  };
  return (
    <>
      <input
        value={text}
        aria-label={element.label}
        aria-invalid={wrong || problem !== undefined}
        aria-description={problem}
        className={element.changed ? 'element element-changed' : 'element'}
        maxLength={12}
        onChange={(event) => setText(event.target.value)}
        onBlur={() => take(text)}
        onKeyDown={onKeyDown}
      />
      {problem && (
        <span className="element-problem" role="alert">
          {problem}
        </span>
      )}
    </>
  );
}

interface ValueFieldProps {
  readonly element: LayoutElement;
  readonly value: ElementValue;
  readonly wrong: boolean;
  readonly onChange: (value: number | boolean | string) => void;
}

/** A property beside the pitch: a switch, a small number or a name. */
function ValueField({ element, value, wrong, onChange }: ValueFieldProps) {
  const name = `${element.label}, ${value.label}`;
  const [text, setText] = useState(String(value.value));
  useEffect(() => {
    if (!wrong) setText(String(value.value));
  }, [wrong, value.value]);
  if (value.kind === 'flag')
    return (
      <div className="element-value">
        <Check label={value.label} name={name} checked={value.value} onChange={onChange} />
      </div>
    );
  const take = () => {
    const typed = text.trim();
    if (typed === String(value.value)) return;
    const number = typed === '' ? NaN : Number(typed);
    if (value.kind === 'text') onChange(typed);
    else if (Number.isFinite(number)) onChange(number);
    else setText(String(value.value));
  };
  const limits = value.kind === 'number' && { min: value.lowest, max: value.highest, step: value.step };
  return (
    <label className="element-value">
      <input
        type={value.kind}
        aria-label={name}
        aria-invalid={wrong}
        value={text}
        maxLength={40}
        {...limits}
        onChange={(event) => setText(event.target.value)}
        onBlur={take}
        onKeyDown={blurOnEnter}
      />
      {value.label}
    </label>
  );
}

/** Enter takes what was typed instead of sending the whole form. */
function blurOnEnter(event: KeyboardEvent<HTMLInputElement>): void {
  if (event.key !== 'Enter') return;
  event.preventDefault();
  event.currentTarget.blur();
}
