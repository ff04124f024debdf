import Button from '@mui/material/Button';
import { useState } from 'react';
import type { LogEntry } from '@same-song/core';
import { LinkButton } from '../../controls/LinkButton.tsx';
import { MoreRows } from '../../controls/MoreRows.tsx';
import { download } from '../../frame/files.ts';
import { notify } from '../../frame/notice.ts';
import { remember } from '../../frame/undo.ts';
import { logCsv } from './logCsv.ts';
import { keepEntry, sendWaiting } from './outbox.ts';
import { RefusedEntries } from './RefusedEntries.tsx';
import type { Practice } from '../usePractice.ts';

/** Rows that are drawn at a time; all of them are in the file. */
const ROWS_AT_ONCE = 200;

/** What was played, newest first: set right by hand, put away, added, taken out as a table. */
export function LogView({ practice }: { readonly practice: Practice }) {
  const { entries, person } = practice;
  const [limit, setLimit] = useState(ROWS_AT_ONCE);
  const [editing, setEditing] = useState<string | undefined>(undefined);
  const tell = (entry: LogEntry) => {
    keepEntry(entry, false);
    void sendWaiting();
  };
  /** Nothing in the log is changed: what holds is told anew, and so is its undoing. */
  const correct = (before: LogEntry, part: Partial<LogEntry>, label: string) => {
    let revision = before.revision + 1;
    const after = { ...before, ...part, revision };
    tell(after);
    const again = (entry: LogEntry) => {
      revision += 1;
      tell({ ...entry, revision });
    };
    remember({
      label,
      undo: () => again({ ...before, gone: false }),
      redo: () => again({ ...before, ...part }),
    });
    notify(`Done: ${label}.`);
  };
  const newest = [...entries].reverse();
  return (
    <div className="log">
      <h1>What {person?.name ?? 'I'} played</h1>
      <p className="practice-tools">
        <Button
          size="small"
          variant="outlined"
          onClick={() => {
            const at = new Date().toISOString();
            const entry: LogEntry = {
              entry: crypto.randomUUID(),
              revision: 1,
              at,
              name: 'Played without the stand',
              itemId: '',
              personId: practice.who,
              instrumentId: '',
              minutes: 10,
              tempo: 0,
              rounds: 0,
              clean: 0,
              keys: [],
              ways: {},
              note: '',
            };
            tell(entry);
            setEditing(entry.entry);
          }}
        >
          Write one down
        </Button>
        <Button
          size="small"
          variant="outlined"
          disabled={entries.length === 0}
          onClick={() => download('practice-log.csv', 'text/csv', logCsv(entries))}
        >
          As a table file
        </Button>
      </p>
      <RefusedEntries />
      {entries.length === 0 ? (
        <p>Nothing has been played yet. The stand writes the log by itself.</p>
      ) : (
        <table className="log-list">
          <thead>
            <tr>
              <th scope="col">When</th>
              <th scope="col">What</th>
              <th scope="col">Minutes</th>
              <th scope="col">Tempo</th>
              <th scope="col">Clean</th>
              <th scope="col">Note</th>
              <th scope="col">
                <span className="unseen">Change</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {newest.slice(0, limit).map((entry) =>
              editing === entry.entry ? (
                <EditRow
                  key={entry.entry}
                  entry={entry}
                  onDone={(part) => {
                    setEditing(undefined);
                    if (part) correct(entry, part, `setting right ${entry.name}`);
                  }}
                />
              ) : (
                <tr key={entry.entry}>
                  <td>{whenWords(entry.at)}</td>
                  <th scope="row">{entry.name}</th>
                  <td>{Math.round(entry.minutes * 10) / 10}</td>
                  <td>{entry.tempo > 0 ? Math.round(entry.tempo) : ''}</td>
                  <td>{entry.rounds > 0 ? `${entry.clean} of ${entry.rounds}` : ''}</td>
                  <td>{entry.note}</td>
                  <td>
                    <LinkButton
                      label={`change ${entry.name}, ${whenWords(entry.at)}`}
                      onClick={() => setEditing(entry.entry)}
                    >
                      change
                    </LinkButton>{' '}
                    <LinkButton
                      label={`take out ${entry.name}, ${whenWords(entry.at)}`}
                      onClick={() => correct(entry, { gone: true }, `taking ${entry.name} out of the log`)}
                    >
                      take out
                    </LinkButton>
                  </td>
                </tr>
              ),
            )}
          </tbody>
        </table>
      )}
      <MoreRows
        shown={limit}
        total={newest.length}
        what="entries"
        onMore={() => setLimit(limit + ROWS_AT_ONCE)}
      />
    </div>
  );
}

function whenWords(at: string): string {
  return new Date(at).toLocaleString(undefined, { dateStyle: 'medium', timeStyle: 'short' });
}

function EditRow({
  entry,
  onDone,
}: {
  readonly entry: LogEntry;
  readonly onDone: (part?: Partial<LogEntry>) => void;
}) {
  const [name, setName] = useState(entry.name);
  const [minutes, setMinutes] = useState(String(entry.minutes));
  const [tempo, setTempo] = useState(String(entry.tempo));
  const [note, setNote] = useState(entry.note);
  const numbers = { minutes: Number(minutes), tempo: Number(tempo) };
  const wrong =
    name.trim() === ''
      ? 'It needs a name.'
      : !(numbers.minutes >= 0 && numbers.minutes <= 1440) || minutes.trim() === ''
        ? 'Minutes are 0 to 1440.'
        : !(numbers.tempo >= 0 && numbers.tempo <= 400) || tempo.trim() === ''
          ? 'A tempo is 0 to 400, 0 for none.'
          : undefined;
  return (
    <tr>
      <td>{whenWords(entry.at)}</td>
      <th scope="row">
        <input
          aria-label="What"
          value={name}
          maxLength={200}
          autoFocus
          onChange={(event) => setName(event.target.value)}
        />
      </th>
      <td>
        <input
          aria-label="Minutes"
          inputMode="decimal"
          size={5}
          value={minutes}
          onChange={(event) => setMinutes(event.target.value)}
        />
      </td>
      <td>
        <input
          aria-label="Tempo"
          inputMode="decimal"
          size={5}
          value={tempo}
          onChange={(event) => setTempo(event.target.value)}
        />
      </td>
      <td>{entry.rounds > 0 ? `${entry.clean} of ${entry.rounds}` : ''}</td>
      <td>
        <input
          aria-label="Note"
          value={note}
          maxLength={500}
          onChange={(event) => setNote(event.target.value)}
        />
        {wrong && <small role="alert">{wrong}</small>}
      </td>
      <td>
        <LinkButton
          disabled={wrong !== undefined}
          onClick={() => onDone({ ...numbers, name: name.trim(), note: note.trim() })}
        >
          keep
        </LinkButton>{' '}
        <LinkButton onClick={() => onDone()}>leave</LinkButton>
      </td>
    </tr>
  );
}
