import Button from '@mui/material/Button';
import { questions, instruments, layouts, progressions } from '../api/records.ts';
import { notify } from '../frame/notice.ts';

/** What was put away, each to be had back. */
export function BinPanel() {
  const kinds = [
    { word: '', list: instruments.useList('binned'), restore: instruments.useRestore() },
    { word: ' (question)', list: questions.useList('binned'), restore: questions.useRestore() },
    { word: ' (progression)', list: progressions.useList('binned'), restore: progressions.useRestore() },
    { word: ' (layout)', list: layouts.useList('binned'), restore: layouts.useRestore() },
  ];
  const done = {
    onSuccess: (record: { name: string }) => notify(`${record.name} is back.`),
    onError: (e: Error) => notify(e.message, { kind: 'error' }),
  };
  if (kinds.some(({ list }) => list.isError)) return <p>The bin cannot be read right now.</p>;
  const empty = kinds.every(({ list }) => list.data?.length === 0);
  return (
    <div>
      <h2>Bin</h2>
      {empty && <p>The bin is empty. What you put away waits here until you want it back.</p>}
      <ul className="bin">
        {kinds.flatMap(({ word, list, restore }) =>
          (list.data ?? []).map((record) => (
            <li key={record.id}>
              <span dir="auto">
                {record.name}
                {word}
              </span>
              <Button variant="outlined" size="small" onClick={() => restore.mutate(record.id, done)}>
                Put back
              </Button>
            </li>
          )),
        )}
      </ul>
    </div>
  );
}
