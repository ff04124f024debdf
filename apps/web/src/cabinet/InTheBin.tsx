import Button from '@mui/material/Button';
import { instruments, type InstrumentRecord } from '../api/records.ts';
import { notify } from '../frame/notice.ts';

/** The instrument was put into the bin, here or elsewhere; whatever was typed of it is still on the page. */
export function InTheBin({ record }: { record: InstrumentRecord }) {
  const { mutate: restore, isPending } = instruments.useRestore();
  const putBack = () =>
    restore(record.id, {
      onSuccess: () => notify(`${record.name} is back in the cabinet.`),
      onError: (error) => notify(error.message, { kind: 'error' }),
    });
  return (
    <p className="in-the-bin" role="status">
      This instrument lies in the bin.{' '}
      <Button variant="contained" size="small" onClick={putBack} disabled={isPending}>
        Put it back
      </Button>
    </p>
  );
}
