import Button from '@mui/material/Button';
import { instruments, type InstrumentRecord } from '../api/records.ts';
import { notify } from '../frame/notice.ts';

/** The instrument was put into the bin, here or elsewhere; whatever was typed of it is still on the page. */
export function BinnedNotice({ record }: { record: InstrumentRecord }) {
  const { mutateAsync: restore, isPending } = instruments.useRestore();
  // What follows hangs on the promise: once the instrument is back, this is no longer on the page.
  const putBack = () =>
    void restore(record.id).then(
      () => notify(`${record.name} is back in the cabinet.`),
      (error: Error) => notify(error.message, { kind: 'error' }),
    );
  return (
    <p className="in-the-bin" role="status">
      This instrument lies in the bin.{' '}
      <Button variant="contained" size="small" onClick={putBack} disabled={isPending}>
        Put it back
      </Button>
    </p>
  );
}
