import { useState } from 'react';
import type { LogEntry } from '@same-song/core/practice';
import { LinkButton } from '../../controls/LinkButton.tsx';
import { whenWords } from './whenWords.ts';

interface EntryFieldsProps {
  readonly entry: LogEntry;
  /** With what is changed; with nothing where it is left as it was. */
  readonly onDone: (part?: Partial<LogEntry>) => void;
}

type Typed = Readonly<Record<'name' | 'minutes' | 'tempo' | 'note', string>>;

/** An entry of the log, its cells to be typed in. */
export function EntryFields({ entry, onDone }: EntryFieldsProps) {
  const { at, name, minutes, tempo, note, rounds, clean } = entry;
  const [typed, setTyped] = useState<Typed>({
    name,
    minutes: String(minutes),
    tempo: String(tempo),
    note,
  });
  const field = (label: string, part: keyof Typed, limits: { maxLength?: number; size?: number }) => (
    <input
      aria-label={label}
      value={typed[part]}
      autoFocus={part === 'name'}
      inputMode={limits.size === undefined ? 'text' : 'decimal'}
      onChange={(event) => setTyped({ ...typed, [part]: event.target.value })}
      {...limits}
    />
  );
  const wrong = problemWith(typed);
  return (
    <>
      <td>{whenWords(at)}</td>
      <th scope="row">{field('What', 'name', { maxLength: 200 })}</th>
      <td>{field('Minutes', 'minutes', { size: 5 })}</td>
      <td>{field('Tempo', 'tempo', { size: 5 })}</td>
      <td>{rounds > 0 ? `${clean} of ${rounds}` : ''}</td>
      <td>
        {field('Note', 'note', { maxLength: 500 })}
        {wrong && <small role="alert">{wrong}</small>}
      </td>
      <td>
        <LinkButton
          disabled={wrong !== undefined}
          onClick={() =>
            onDone({
              name: typed.name.trim(),
              minutes: Number(typed.minutes),
              tempo: Number(typed.tempo),
              note: typed.note.trim(),
            })
          }
        >
          keep
        </LinkButton>{' '}
        <LinkButton onClick={() => onDone()}>leave</LinkButton>
      </td>
    </>
  );
}

/** What is wrong with what is typed, the first of it. */
function problemWith({ name, minutes, tempo }: Typed): string | undefined {
  if (name.trim() === '') return 'It needs a name.';
  if (!isBetween(minutes, 1440)) return 'Minutes are 0 to 1440.';
  return isBetween(tempo, 400) ? undefined : 'A tempo is 0 to 400, 0 for none.';
}

function isBetween(text: string, most: number): boolean {
  const value = Number(text);
  return text.trim() !== '' && value >= 0 && value <= most;
}
