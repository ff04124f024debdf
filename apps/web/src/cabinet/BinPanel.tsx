import Button from '@mui/material/Button';
import { KIND_NAMES, RECORD_KIND_IDS, type RecordKindId } from '@same-song/core/records';
import { recordsOf } from '../api/records.ts';
import { notify } from '../frame/notice.ts';

/** What was put away of every kind, each to be had back. */
export function BinPanel() {
  return (
    <div>
      <h2>Bin</h2>
      <p>What you put away waits here until you want it back.</p>
      {RECORD_KIND_IDS.map((kind) => (
        <BinnedRecords key={kind} kind={kind} />
      ))}
    </div>
  );
}

function BinnedRecords({ kind }: { kind: RecordKindId }) {
  const records = recordsOf(kind);
  const { data, isError } = records.useTitles('binned');
  const { mutateAsync: restore } = records.useRestore();
  const { many } = KIND_NAMES[kind];
  const putBack = (id: string, title: string) =>
    restore(id).then(
      () => notify(`${title} is back.`),
      (error: Error) => notify(error.message, { kind: 'error' }),
    );
  if (isError) return <p>{many} in the bin cannot be read right now.</p>;
  if (!data || data.length === 0) return data ? <p className="soft">{many}: none.</p> : null;
  return (
    <>
      <h3>{many}</h3>
      <ul className="bin">
        {data.map(({ id, title }) => (
          <li key={id}>
            <span dir="auto">{title}</span>
            <Button variant="outlined" size="small" onClick={() => void putBack(id, title)}>
              Put back
            </Button>
          </li>
        ))}
      </ul>
    </>
  );
}
