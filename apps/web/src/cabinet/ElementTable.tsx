import { useState, type KeyboardEvent } from 'react';
import {
  PITCH_RANGE,
  parsePitch,
  pitchText,
  type ElementChange,
  type ElementValue,
  type Instrument,
  type LayoutElement,
  type Problem,
} from '@same-song/core';

interface ElementTableProps {
  readonly instrument: Instrument;
  readonly problems: readonly Problem[];
  readonly onChange: (element: string, change: ElementChange) => void;
}

/** Every reed (string, tongue …) with its pitch, each to be typed over. */
export function ElementTable({ instrument, problems, onChange }: ElementTableProps) {
  const { elements } = instrument;
  const rows = [...new Set(elements.map((element) => element.row))];
  const columns = [...new Set(elements.map((element) => element.column))];
  const messages = problems.filter(
    (p) => p.field.startsWith('layout.') && elements.some((e) => `layout.${e.id}` === p.field),
  );
  return (
    <section aria-label="Pitch of every part">
      <table className="elements">
        <thead>
          <tr>
            <th scope="col">
              <span className="unseen">Row</span>
            </th>
            {columns.map((column) => (
              <th key={column} scope="col">
                {column}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row}>
              <th scope="row">{row}</th>
              {elements
                .filter((element) => element.row === row)
                .map((element) => (
                  <td key={element.id}>
                    {element.pitch !== undefined && (
                      <PitchField
                        key={element.pitch}
                        element={element}
                        pitch={element.pitch}
                        wrong={messages.some((p) => p.field === `layout.${element.id}`)}
                        onChange={(pitch) => onChange(element.id, { pitch })}
                      />
                    )}
                    {element.values.map((value) => (
                      <ValueField
                        key={value.id}
                        element={element}
                        value={value}
                        onChange={(next) => onChange(element.id, { values: { [value.id]: next } })}
                      />
                    ))}
                  </td>
                ))}
            </tr>
          ))}
        </tbody>
      </table>
      {messages.length > 0 && (
        <ul className="editor-problems" role="alert">
          {messages.map((problem) => (
            <li key={problem.field}>{problem.message}</li>
          ))}
        </ul>
      )}
      <p className="editor-hint">
        Type a note with its octave (E♭4, f#5), or step by a semitone with ↑ and ↓. Underlined: differs from
        the tuning.
      </p>
    </section>
  );
}

interface PitchFieldProps {
  readonly element: LayoutElement;
  readonly pitch: number;
  readonly wrong: boolean;
  readonly onChange: (pitch: number) => void;
}

/** A pitch as text; it is taken on Enter or when the field is left. What cannot be read stays, with its reason. */
function PitchField({ element, pitch, wrong, onChange }: PitchFieldProps) {
  const [text, setText] = useState(pitchText(pitch));
  const [problem, setProblem] = useState<string | undefined>(undefined);
  const take = (typed: string) => {
    const read = parsePitch(typed);
    if (!read.ok) {
      setProblem(read.problems[0]!.message);
      return;
    }
    setProblem(undefined);
    if (read.value !== pitch) onChange(read.value);
    else setText(pitchText(pitch));
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
  readonly onChange: (value: number | boolean) => void;
}

/** A property beside the pitch: a switch or a small number. */
function ValueField({ element, value, onChange }: ValueFieldProps) {
  const name = `${element.label}, ${value.label}`;
  if (value.kind === 'flag')
    return (
      <label className="element-value">
        <input
          type="checkbox"
          aria-label={name}
          checked={value.value}
          onChange={(event) => onChange(event.target.checked)}
        />
        {value.label}
      </label>
    );
  return (
    <label className="element-value">
      <input
        type="number"
        key={value.value}
        aria-label={name}
        defaultValue={value.value}
        min={value.lowest}
        max={value.highest}
        step={value.step}
        onBlur={(event) => {
          const typed = event.target.value.trim() === '' ? NaN : Number(event.target.value);
          if (Number.isFinite(typed) && typed !== value.value) onChange(typed);
          else event.target.value = String(value.value);
        }}
        onKeyDown={(event) => {
          if (event.key === 'Enter') event.currentTarget.blur();
        }}
      />
      {value.label}
    </label>
  );
}
