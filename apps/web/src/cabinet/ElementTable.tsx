import { useState, type KeyboardEvent } from 'react';
import {
  PITCH_RANGE,
  parsePitch,
  pitchText,
  type Instrument,
  type LayoutElement,
  type Problem,
} from '@same-song/core';

interface ElementTableProps {
  readonly instrument: Instrument;
  readonly problems: readonly Problem[];
  readonly onChange: (element: string, pitch: number) => void;
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
                    <ElementField
                      key={element.pitch}
                      element={element}
                      wrong={messages.some((p) => p.field === `layout.${element.id}`)}
                      onChange={onChange}
                    />
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

interface ElementFieldProps {
  readonly element: LayoutElement;
  readonly wrong: boolean;
  readonly onChange: (element: string, pitch: number) => void;
}

/** A pitch as text; it is taken on Enter or when the field is left. What cannot be read stays, with its reason. */
function ElementField({ element, wrong, onChange }: ElementFieldProps) {
  const [text, setText] = useState(pitchText(element.pitch));
  const [problem, setProblem] = useState<string | undefined>(undefined);
  const take = (typed: string) => {
    const pitch = parsePitch(typed);
    if (!pitch.ok) {
      setProblem(pitch.problems[0]!.message);
      return;
    }
    setProblem(undefined);
    if (pitch.value !== element.pitch) onChange(element.id, pitch.value);
    else setText(pitchText(element.pitch));
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const step = { ArrowUp: 1, ArrowDown: -1 }[event.key];
    if (step !== undefined) {
      event.preventDefault();
      const next = element.pitch + step;
      if (next >= PITCH_RANGE.lowest && next <= PITCH_RANGE.highest) onChange(element.id, next);
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
