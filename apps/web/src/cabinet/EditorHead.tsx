import Button from '@mui/material/Button';
import { useNavigate } from 'react-router';
import { NAME_LIMIT, type InstrumentSpec } from '@same-song/core';
import { request } from '../api/client.ts';
import { instruments, type InstrumentRecord } from '../api/records.ts';
import { notify } from '../frame/notice.ts';
import { remember } from '../frame/undo.ts';

interface EditorHeadProps {
  readonly record: InstrumentRecord;
  readonly spec: InstrumentSpec;
  readonly changed: boolean;
  readonly busy: boolean;
  readonly onDrop: () => void;
}

/** Name of the instrument and what can be done with it as a whole. */
export function EditorHead({ record, spec, changed, busy, onDrop }: EditorHeadProps) {
  const navigate = useNavigate();
  const bin = instruments.useBin();
  const restore = instruments.useRestore();
  const add = instruments.useAdd();
  const remove = () =>
    bin.mutate(record, {
      onSuccess: () => {
        const change = {
          label: `putting ${record.name} into the bin`,
          undo: () => restore.mutateAsync(record.id),
          redo: () => binAgain(record.id),
        };
        remember(change);
        notify(`${record.name} is in the bin.`, { action: { label: 'Undo', run: () => void change.undo() } });
        void navigate('/cabinet');
      },
      onError: (error) => notify(error.message, { kind: 'error' }),
    });
  /** A second instrument with the same layout, to be changed from there. */
  const copy = () =>
    add.mutate(
      { ...spec, name: `${spec.name.slice(0, NAME_LIMIT - 7)}, copy` },
      {
        onSuccess: (made) => {
          remember({
            label: `copying ${record.name}`,
            undo: async () => {
              await bin.mutateAsync(made);
              await navigate(`/cabinet/${record.id}`);
            },
            redo: () => restore.mutateAsync(made.id),
          });
          notify(`${made.name} is in the cabinet.`);
          void navigate(`/cabinet/${made.id}`);
        },
        onError: (error) => notify(error.message, { kind: 'error' }),
      },
    );
  const binAgain = async (id: string) => {
    const { version } = await request<InstrumentRecord>('GET', `/instruments/${id}`);
    await bin.mutateAsync({ id, version });
  };
  return (
    <div className="editor-head">
      <h2 dir="auto">{spec.name || 'No name yet'}</h2>
      <Button variant="outlined" onClick={() => void navigate(`/map?on=${record.id}`)}>
        Map
      </Button>
      <Button variant="text" onClick={copy} disabled={add.isPending}>
        Copy
      </Button>
      <Button variant="text" onClick={remove}>
        Into the bin
      </Button>
      {changed && (
        <Button variant="text" onClick={onDrop}>
          Drop changes
        </Button>
      )}
      <Button type="submit" variant="contained" disabled={!changed || busy}>
        {changed ? 'Save' : 'Saved'}
      </Button>
    </div>
  );
}
