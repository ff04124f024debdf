import Button from '@mui/material/Button';
import { useNavigate } from 'react-router';
import { NAME_LIMIT, type InstrumentSpec } from '@same-song/core/instruments';
import { instruments, type InstrumentRecord } from '../api/records.ts';
import { useRecordActions } from '../frame/useRecordActions.ts';

interface EditorHeadProps {
  readonly record: InstrumentRecord;
  readonly spec: InstrumentSpec;
  readonly changed: boolean;
  /** A save is under way; what is typed meanwhile can be saved next. */
  readonly busy: boolean;
  readonly binned: boolean;
  readonly onDrop: () => void;
}

/** Name of the instrument and what can be done with it as a whole. */
export function EditorHead({ record, spec, changed, busy, binned, onDrop }: EditorHeadProps) {
  const navigate = useNavigate();
  const { keep, moveToBin, busy: keeping } = useRecordActions(instruments);
  /** A second instrument with the same layout, to be changed from there. */
  const copy = () =>
    keep(
      { ...spec, name: `${spec.name.slice(0, NAME_LIMIT - 7)}, copy` },
      {
        label: () => `copying ${record.name}`,
        notice: (made) => `${made.name} is in the cabinet.`,
        onKept: (made) => void navigate(`/cabinet/${made.id}`),
        onUndone: () => navigate(`/cabinet/${record.id}`),
      },
    );
  return (
    <header className="editor-head row">
      <h2 dir="auto">{spec.name || 'No name yet'}</h2>
      <Button variant="outlined" onClick={() => void navigate(`/map?on=${record.id}`)}>
        Map
      </Button>
      <Button variant="text" onClick={copy} disabled={keeping}>
        Copy
      </Button>
      {!binned && (
        <Button variant="text" onClick={() => moveToBin(record, () => navigate('/cabinet'))}>
          Into the bin
        </Button>
      )}
      {changed && (
        <Button variant="text" onClick={onDrop}>
          Drop changes
        </Button>
      )}
      <Button type="submit" variant="contained" disabled={!changed || binned}>
        {busy ? 'Saving…' : changed ? 'Save' : 'Saved'}
      </Button>
    </header>
  );
}
