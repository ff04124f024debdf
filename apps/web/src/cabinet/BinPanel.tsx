import Button from '@mui/material/Button';
import { asks, instruments } from '../api/records.ts';
import { notify } from '../frame/notice.ts';

/** What was put away, each to be had back. */
export function BinPanel() {
  const { data: binned, isError } = instruments.useList('binned');
  const { data: binnedAsks } = asks.useList('binned');
  const restoreInstrument = instruments.useRestore();
  const restoreAsk = asks.useRestore();
  const done = {
    onSuccess: (record: { name: string }) => notify(`${record.name} is back.`),
    onError: (e: Error) => notify(e.message, { kind: 'error' }),
  };
  if (isError) return <p>The bin cannot be read right now.</p>;
  const empty = binned?.length === 0 && binnedAsks?.length === 0;
  return (
    <div>
      <h2>Bin</h2>
      {empty && <p>The bin is empty. What you put away waits here until you want it back.</p>}
      <ul className="bin">
        {binned?.map((record) => (
          <li key={record.id}>
            <span dir="auto">{record.name}</span>
            <Button variant="outlined" size="small" onClick={() => restoreInstrument.mutate(record.id, done)}>
              Put back
            </Button>
          </li>
        ))}
        {binnedAsks?.map((record) => (
          <li key={record.id}>
            <span dir="auto">{record.name} (question)</span>
            <Button variant="outlined" size="small" onClick={() => restoreAsk.mutate(record.id, done)}>
              Put back
            </Button>
          </li>
        ))}
      </ul>
    </div>
  );
}
