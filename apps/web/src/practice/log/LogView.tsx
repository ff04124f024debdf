import Button from '@mui/material/Button';
import { useMemo } from 'react';
import type { LogEntry } from '@same-song/core/practice';
import { LinkButton } from '../../controls/LinkButton.tsx';
import { VirtualTable, type Column } from '../../controls/VirtualTable.tsx';
import { download } from '../../frame/files.ts';
import type { Practice } from '../usePracticeData.ts';
import { EntryFields } from './EntryFields.tsx';
import { logCsv } from './logCsv.ts';
import { RefusedEntries } from './RefusedEntries.tsx';
import { useLogEditing } from './useLogEditing.ts';
import { whenWords } from './whenWords.ts';

const COLUMNS: readonly Column[] = [
  { label: 'When' },
  { label: 'What' },
  { label: 'Minutes' },
  { label: 'Tempo' },
  { label: 'Clean' },
  { label: 'Note' },
  { label: 'Change', silent: true },
];

/** What was played, newest first: set right by hand, put away, added, taken out as a table. */
export function LogView({ practice }: { readonly practice: Practice }) {
  const { entries, person, who } = practice;
  const log = useLogEditing(who);
  const newest = useMemo(() => [...entries].reverse(), [entries]);
  return (
    <div className="log">
      <h1>What {person?.name ?? 'I'} played</h1>
      <p className="practice-tools row">
        <Button size="small" variant="outlined" onClick={log.add}>
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
        <VirtualTable label="What was played" columns={COLUMNS} rows={newest} keyOf={({ entry }) => entry}>
          {(entry) =>
            log.editing === entry.entry ? (
              <EntryFields entry={entry} onDone={(part) => log.done(entry, part)} />
            ) : (
              <EntryCells entry={entry} onEdit={() => log.edit(entry)} onTakeOut={() => log.takeOut(entry)} />
            )
          }
        </VirtualTable>
      )}
    </div>
  );
}

interface EntryCellsProps {
  readonly entry: LogEntry;
  readonly onEdit: () => void;
  readonly onTakeOut: () => void;
}

function EntryCells({ entry, onEdit, onTakeOut }: EntryCellsProps) {
  const { at, name, minutes, tempo, rounds, clean, note } = entry;
  const when = whenWords(at);
  return (
    <>
      <td>{when}</td>
      <th scope="row">{name}</th>
      <td>{Math.round(minutes * 10) / 10}</td>
      <td>{tempo > 0 ? Math.round(tempo) : ''}</td>
      <td>{rounds > 0 ? `${clean} of ${rounds}` : ''}</td>
      <td>{note}</td>
      <td>
        <LinkButton label={`change ${name}, ${when}`} onClick={onEdit}>
          change
        </LinkButton>{' '}
        <LinkButton label={`take out ${name}, ${when}`} onClick={onTakeOut}>
          take out
        </LinkButton>
      </td>
    </>
  );
}
